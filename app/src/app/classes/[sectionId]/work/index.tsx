export { ClassWorkScreen as default } from '../../../../features/work/lazyPages';
