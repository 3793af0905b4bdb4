export { NewPageScreen as default } from '../../../features/sharing/lazyPages';
