export { ConcernScreen as default } from '../../features/watch/ConcernScreen';
