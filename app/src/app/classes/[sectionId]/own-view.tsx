export { OwnViewScreen as default } from '../../../features/sharing/lazyPages';
