export { WriteScreen as default } from '../features/messages/WriteScreen';
