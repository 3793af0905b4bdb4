export { OwingScreen as default } from '../features/ticks/lazyPages';
