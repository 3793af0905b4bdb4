export { AgainScreen } from './AgainScreen';
export { ClassNotesScreen } from './ClassNotesScreen';
export { default as LessonNotesSheet } from './LessonNotes';
export { NoteScreen } from './NoteScreen';
export { NotesScreen } from './NotesScreen';
export { default as SideNotes } from './SideNotes';
export { StudentNotes } from './StudentNotes';
export { TopicScreen } from './TopicScreen';
export { TopicsScreen } from './TopicsScreen';
