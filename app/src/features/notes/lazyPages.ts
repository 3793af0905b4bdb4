import { lazily } from '../../parts/lazily';

/** All pages of notes, in one piece: what several pieces share would come with the first screen. */
const pages = () => import('./pages');

export const AgainScreen = lazily(async () => ({ default: (await pages()).AgainScreen }));
export const ClassNotesScreen = lazily(async () => ({ default: (await pages()).ClassNotesScreen }));
export const LessonNotesSheet = lazily(async () => ({ default: (await pages()).LessonNotesSheet }));
export const NoteScreen = lazily(async () => ({ default: (await pages()).NoteScreen }));
export const NotesScreen = lazily(async () => ({ default: (await pages()).NotesScreen }));
export const SideNotes = lazily(async () => ({ default: (await pages()).SideNotes }));
export const StudentNotes = lazily(async () => ({ default: (await pages()).StudentNotes }));
export const TopicScreen = lazily(async () => ({ default: (await pages()).TopicScreen }));
export const TopicsScreen = lazily(async () => ({ default: (await pages()).TopicsScreen }));
