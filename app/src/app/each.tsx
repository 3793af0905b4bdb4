export { EachScreen as default } from '../features/phrases/lazyPages';
