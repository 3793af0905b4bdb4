export { NoteScreen as default } from '../../features/notes/NoteScreen';
