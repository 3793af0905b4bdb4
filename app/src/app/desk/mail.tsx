export { MailScreen as default } from '../../features/people/messages/MailScreen';
