export { BringScreen as default } from '../../../../features/work/lazyPages';
