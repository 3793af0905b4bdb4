export { NodsScreen as default } from '../../../features/nods/lazyPages';
