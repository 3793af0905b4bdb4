export { JoinScreen as default } from '../../features/sharing/JoinScreen';
