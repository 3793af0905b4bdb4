export { EachScreen } from './EachScreen';
export { PhraseSheet } from './PhraseSheet';
export { PhrasesScreen } from './PhrasesScreen';
