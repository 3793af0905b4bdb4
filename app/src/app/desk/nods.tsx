export { SchoolNodsScreen as default } from '../../features/nods/lazyPages';
