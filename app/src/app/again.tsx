export { AgainScreen as default } from '../features/notes/lazyPages';
