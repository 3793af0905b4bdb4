export { TopicsScreen as default } from '../../features/notes/lazyPages';
