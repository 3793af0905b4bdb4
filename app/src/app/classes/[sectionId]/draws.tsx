export { DrawsScreen as default } from '../../../features/nods/lazyPages';
