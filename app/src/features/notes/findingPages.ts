export { default as NoteSearch } from './NoteSearch';
export { TopicScreen } from './TopicScreen';
