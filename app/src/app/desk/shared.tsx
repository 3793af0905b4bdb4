export { SharedScreen as default } from '../../features/sharing/readerPages/lazyPages';
