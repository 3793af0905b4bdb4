export { GivenScreen as default } from '../../features/sharing/GivenScreen';
