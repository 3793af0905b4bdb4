export { ColleaguesScreen as default } from '../../features/sharing/ColleaguesScreen';
