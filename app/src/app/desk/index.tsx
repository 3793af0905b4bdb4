export { DeskScreen as default } from '../../features/keeping/desk/DeskScreen';
