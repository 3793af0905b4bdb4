export { PhrasesScreen as default } from '../../features/phrases/lazyPages';
