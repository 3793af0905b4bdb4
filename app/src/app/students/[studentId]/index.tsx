export { StudentPage as default } from '../../../features/watch/path/StudentPage';
