import type { ChangeOf } from '../src/changes/schema';

const at = '2026-11-23T10:45:00.000Z';
const lesson = {
  id: 'm1.2026-11-23',
  sectionId: 's',
  date: '2026-11-23',
  startsAt: '10:40',
  endsAt: '11:30',
};
const side = (name: string, mark: 'star' | 'ring', studentIds: string[]) => ({ name, mark, studentIds });
const sides = [side('Star', 'star', ['a']), side('Ring', 'ring', ['b'])];

type SidesKind =
  | 'game.start'
  | 'game.set'
  | 'game.remove'
  | 'gamePoint.give'
  | 'gamePoint.correct'
  | 'roomTone.set'
  | 'roomTone.remove';

/** Every kind of change of games and of the room's tone, each with something to change. */
export const everySidesChange: { [K in SidesKind]: ChangeOf<K>['payload'] } = {
  'game.start': { lesson, id: 'game', name: 'Knots', sides, formedBy: 'random', seed: 7, startedAt: at },
  'game.set': {
    ...{ id: 'game', lessonId: lesson.id, name: 'Bends', round: 2, endedAt: at },
    clock: { lengthSeconds: 300, leftSeconds: 200, runningSince: at },
    sides: [side('Star', 'star', ['b']), side('Ring', 'ring', ['a'])],
  },
  'gamePoint.give': {
    ...{ id: 'point', lessonId: lesson.id, gameId: 'game', side: 0, studentId: 'a' },
    ...{ amount: 3, round: 1, at },
  },
  'gamePoint.correct': {
    ...{ id: 'point', lessonId: lesson.id },
    corrections: [{ side: 1, amount: 2, at }],
  },
  'game.remove': { id: 'game', lessonId: lesson.id, removed: true },
  'roomTone.set': { lesson, id: 'tone', at, level: -1 },
  'roomTone.remove': { id: 'tone', lessonId: lesson.id, removed: true },
};
