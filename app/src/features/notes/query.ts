/** What notes are looked for by; empty is any. */
export interface NoteQuery {
  words: string;
  sectionId: string;
  lessonId: string;
  studentId: string;
  topicId: string;
  from: string;
  to: string;
}

export const anyNote: NoteQuery = {
  words: '',
  sectionId: '',
  lessonId: '',
  studentId: '',
  topicId: '',
  from: '',
  to: '',
};
