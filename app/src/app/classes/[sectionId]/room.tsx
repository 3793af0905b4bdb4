export { RoomScreen as default } from '../../../features/people/room/lazyRoomScreen';
