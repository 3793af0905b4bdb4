export { SharedScreen as default } from '../../features/sharing/lazyPages';
