export { SetUpScreen as default } from '../../../features/people/class/SetUpScreen';
