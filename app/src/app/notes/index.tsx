export { NotesScreen as default } from '../../features/notes/lazyPages';
