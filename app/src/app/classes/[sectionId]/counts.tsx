export { CountsScreen as default } from '../../../features/observation/counts/CountsScreen';
