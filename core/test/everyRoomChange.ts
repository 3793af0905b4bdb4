import type { ChangeOf } from '../src/changes/schema';

const day = '2026-11-23';
const seat = { x: 0, y: 0 };

type RoomKind = 'room.set' | 'room.arrange' | 'room.remove' | 'seatWish.set' | 'seatWish.remove';

/** Every kind of change of rooms and wishes, each with something to change. */
export const everyRoomChange: { [K in RoomKind]: ChangeOf<K>['payload'] } = {
  'room.set': {
    id: 'rows',
    sectionId: 's',
    name: 'Rows',
    seats: [seat, { x: 1, y: 0 }],
    places: [{ studentId: 'a', ...seat }],
    startsOn: day,
  },
  'room.arrange': {
    plans: [{ id: 'rows', sectionId: 's', places: [{ studentId: 'a', ...seat }], startsOn: day }],
    seats: [{ ...seat, turn: 1 }],
    furniture: [{ id: 'door', kind: 'door', x: 3, y: 0, wide: 2, deep: 1, turn: 0 }],
  },
  'seatWish.set': { id: 'wish', sectionId: 's', kind: 'apart', studentIds: ['a', 'b'], seats: [] },
  'seatWish.remove': { id: 'wish', sectionId: 's', removed: true },
  'room.remove': { id: 'rows', sectionId: 's', removed: true },
};
