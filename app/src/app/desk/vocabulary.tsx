export { VocabularyScreen as default } from '../../features/attendance/vocabulary/VocabularyScreen';
