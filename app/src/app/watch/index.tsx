export { WatchScreen as default } from '../../features/watch/WatchScreen';
