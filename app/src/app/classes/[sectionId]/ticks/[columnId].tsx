export { ColumnScreen as default } from '../../../../features/ticks/lazyPages';
