export { WorkScreen as default } from '../../../features/work/WorkScreen';
