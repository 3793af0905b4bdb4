export { BringScreen as default } from '../../../../features/ticks/lazyPages';
