export { TopicScreen as default } from '../../features/notes/lazyPages';
