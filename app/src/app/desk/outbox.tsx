export { OutboxScreen as default } from '../../features/people/messages/OutboxScreen';
