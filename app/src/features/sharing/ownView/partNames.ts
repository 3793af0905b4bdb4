import type { OwnPart } from '@slate-path/core/sharing/ownView/limits';

/** What each part of a student's own page is called. */
export const ownPartNames: Record<OwnPart, { label: string; note: string }> = {
  presence: { label: 'Attendance', note: 'Lesson by lesson, and what counts how' },
  circles: { label: 'From discussions', note: 'What you gave back, the goal, and the next one' },
  nods: { label: 'Nods', note: 'For what, where and when you gave one' },
  work: { label: 'Pieces of work', note: 'What is owed first' },
  weather: { label: 'Inner weather', note: 'As they said it when they checked in' },
  words: { label: 'A word to you', note: 'Comes as a note of your own' },
};
