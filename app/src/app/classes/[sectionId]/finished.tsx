export { WorkScreen as default } from '../../../features/people/work/WorkScreen';
