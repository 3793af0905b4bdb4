export { ClipboardScreen as default } from '../../../features/ticks/lazyPages';
