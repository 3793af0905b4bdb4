export { AccountScreen as default } from '../../features/accounts/AccountScreen';
