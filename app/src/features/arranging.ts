/**
 * All that is dragged, in one piece that is fetched when the first of it is wanted: of two pieces with the same library
 * in them it would be taken out, and every page would load it at its start.
 */
export { MovableSeats } from './observation/circle/MovableSeats';
export { RoomScreen } from './people/room/RoomScreen';
