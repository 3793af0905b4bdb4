export { FeedScreen as default } from '../../../../features/work/lazyPages';
