export { CallListScreen as default } from '../features/contact/lazyPages';
