import type { ChangeOf } from '@slate-path/core/changes/schema';
import { byChance } from '@slate-path/core/observation/sides/form';
import { sideMarks } from '@slate-path/core/observation/sides/limits';
import { seeded } from '@slate-path/core/people/room/seating/chance';
import type { SchoolLife } from './life';
import type { TalliedLesson } from './tallies';

/** The class of the demo that plays games of sides, and whose tone is set. */
export const playedClass = 'Shore Ecology';

/** Every so many lessons there is a game, and so many sides and rounds in it. */
const playsEvery = 4;
const sidesInGame = 4;
const roundsInGame = 3;
const topics = ['Seaweeds', 'Tracks in the sand', 'What lives where', 'Names of shells'];
const amounts = [1, 1, 1, 2, 2, 5];

interface Played {
  lessons: readonly TalliedLesson[];
  life: SchoolLife;
}

type Kind = 'game.start' | 'game.set' | 'gamePoint.give' | 'gamePoint.correct' | 'roomTone.set';
/** A change with when it was made, milliseconds since 1970. */
export type Made = { [K in Kind]: { kind: K; payload: ChangeOf<K>['payload']; at: number } }[Kind];

const pick = <T>(all: readonly T[], uniform: number): T | undefined => all[Math.floor(uniform * all.length)];

function gameOf(
  lesson: TalliedLesson,
  life: SchoolLife,
  index: number,
  newId: (at: number) => string,
): Made[] {
  const { key, there, instantOf } = lesson;
  const chance = life.chance('games', lesson.at);
  const seed = chance.whole(0, 1_000_000);
  const members = byChance(
    there.map(({ id }) => id),
    sidesInGame,
    seeded(seed),
  );
  const sides = sideMarks.slice(0, sidesInGame).map((mark, at) => ({
    name: mark.charAt(0).toUpperCase() + mark.slice(1),
    mark,
    studentIds: members[at] ?? [],
  }));
  const moment = (minute: number) => Date.parse(instantOf(minute));
  const id = newId(moment(20));
  const lessonId = key.id;
  const made: Made[] = [
    {
      kind: 'game.start',
      payload: {
        ...{ lesson: key, id, name: topics[index % topics.length] ?? '', sides, formedBy: 'random', seed },
        startedAt: instantOf(20),
      },
      at: moment(20),
    },
  ];
  const points = chance.whole(14, 26);
  for (let given = 0; given < points; given += 1) {
    const minute = 21 + (given * 20) / points;
    const side = chance.whole(0, sidesInGame - 1);
    const student = chance.hit(0.6) ? (pick(members[side] ?? [], chance.uniform()) ?? null) : null;
    const amount = pick(amounts, chance.uniform()) ?? 1;
    const round = 1 + Math.floor((given * roundsInGame) / points);
    const pointId = newId(moment(minute));
    made.push({
      kind: 'gamePoint.give',
      payload: {
        ...{ id: pointId, lessonId, gameId: id, side, studentId: student, amount, round },
        at: instantOf(minute),
      },
      at: moment(minute),
    });
    if (given === 3 && amount > 1)
      made.push({
        kind: 'gamePoint.correct',
        payload: { id: pointId, lessonId, corrections: [{ side, amount: 1, at: instantOf(minute + 0.5) }] },
        at: moment(minute + 0.5),
      });
  }
  made.push({
    kind: 'game.set',
    payload: { id, lessonId, round: roundsInGame, endedAt: instantOf(42) },
    at: moment(42),
  });
  return made;
}

/** The tone is set some times a lesson, and seldom jumps. */
function tonesOf(
  { key, at, instantOf }: TalliedLesson,
  life: SchoolLife,
  newId: (at: number) => string,
): Made[] {
  const chance = life.chance('tone', at);
  let level = chance.whole(-1, 1);
  return [4, 18, 36].flatMap((minute): Made[] => {
    if (!chance.hit(0.8)) return [];
    level = Math.min(2, Math.max(-2, level + chance.whole(-1, 1)));
    const set = minute + chance.whole(0, 8);
    const when = Date.parse(instantOf(set));
    const payload = { lesson: key, id: newId(when), at: instantOf(set), level };
    return [{ kind: 'roomTone.set', payload, at: when }];
  });
}

/** The games and the tone of a class's lessons. @param newId of a moment */
export function makeGames({ lessons, life }: Played, newId: (at: number) => string): Made[] {
  return lessons.flatMap((lesson, at) => [
    ...(at % playsEvery === 1 && lesson.there.length >= 2 * sidesInGame
      ? gameOf(lesson, life, Math.floor(at / playsEvery), newId)
      : []),
    ...tonesOf(lesson, life, newId),
  ]);
}
