export { ClassScreen as default } from '../../../features/people/ClassScreen';
