export { PathScreen as default } from '../../../features/watch/path/PathScreen';
