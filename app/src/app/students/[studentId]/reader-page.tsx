export { NewPageScreen as default } from '../../../features/sharing/readerPages/lazyPages';
