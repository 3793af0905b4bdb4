export { VocabularyScreen as default } from '../../features/vocabulary/VocabularyScreen';
