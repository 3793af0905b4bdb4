export { WriteScreen as default } from '../features/people/messages/WriteScreen';
