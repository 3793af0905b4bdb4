export { TicksScreen as default } from '../../../../features/ticks/lazyPages';
