export { OutboxScreen as default } from '../../features/messages/OutboxScreen';
