export { RoomScreen as default } from '../../../features/room/RoomScreen';
