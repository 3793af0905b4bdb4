/**
 * Reading notes needs word lists and a library of dates. Everything of it is loaded together, when the
 * first note is about to be written, and by `useReader` alone: imported elsewhere as well, it would come
 * with the first screen.
 */
export { topicIndex } from '@slate-path/core/notes/findTopics';
export { nameIndex } from '@slate-path/core/notes/names';
export { readNote } from '@slate-path/core/notes/readNote';
export { schoolDays } from '@slate-path/core/notes/schoolDays';
