export { CountsScreen as default } from '../../../features/counts/CountsScreen';
