export { NoteScreen as default } from '../../features/notes/lazyPages';
