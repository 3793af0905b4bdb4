export { DeskScreen as default } from '../../features/desk/DeskScreen';
