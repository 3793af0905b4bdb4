export { ClassNotesScreen as default } from '../../../features/notes/lazyPages';
