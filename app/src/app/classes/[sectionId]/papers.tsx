export { PapersScreen as default } from '../../../features/sharing/lazyPages';
