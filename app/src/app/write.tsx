export { WriteScreen as default } from '../features/phrases/lazyPages';
