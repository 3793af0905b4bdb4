import seedrandom from 'seedrandom';
import type { ChangeOf } from '@slate-path/core/changes/schema';
import type { LookFor } from '@slate-path/core/records/schema';
import type { TalliedLesson } from './tallies';

/** The class whose students sit in a circle, and how many of them. */
export const circleClass = 'Shore Ecology';
const size = 10;

export interface DemoCircle {
  begin: ChangeOf<'circle.begin'>['payload'];
  tallies: ChangeOf<'tally.add'>['payload'];
  endedAt: string;
  goals: ChangeOf<'circle.nextGoal'>['payload'][];
}

/** Two circles of the same ten, the second with the goals that the first one set. */
export function makeCircles(
  lessons: readonly TalliedLesson[],
  lookFors: readonly LookFor[],
  newId: (at: number) => string,
): DemoCircle[] {
  const random = seedrandom('circles');
  const chosen = lessons.slice(-6).filter(({ there }) => there.length >= size);
  const group = (chosen.at(-1)?.there ?? []).slice(0, size);
  const talk = new Map(group.map(({ id }) => [id, random() ** 2 * 8]));
  const pair = [chosen.at(0), chosen.at(-2)].filter((lesson) => lesson !== undefined);
  const goalOf = (index: number) => lookFors[index % 4]?.id ?? null;
  return pair.map((lesson, round) => {
    const startedAt = lesson.instantOf(10);
    const id = newId(Date.parse(startedAt));
    const members = group.map(({ id: studentId }, place) => ({
      studentId,
      place,
      goalLookForId: round === 0 ? null : goalOf(place),
      goalCount: round === 0 ? null : 2,
      feedback: '',
      nextLookForId: null,
      nextCount: null,
    }));
    const tallies = group.flatMap(({ id: studentId }, index) =>
      Array.from({ length: Math.round((talk.get(studentId) ?? 0) * (0.7 + random() * 0.6)) }, () => {
        const lookFor =
          random() < 0.3 && round > 0
            ? lookFors[index % 4]
            : lookFors[Math.floor(random() * lookFors.length)];
        return { studentId, lookForId: lookFor?.id ?? '', at: lesson.instantOf(11 + random() * 22) };
      }),
    );
    return {
      begin: {
        lesson: lesson.key,
        id,
        lookForIds: lookFors.map((lookFor) => lookFor.id),
        groupName: 'Tide pool group',
        startedAt,
        members,
      },
      tallies: {
        lesson: lesson.key,
        tallies: tallies
          .sort((a, b) => (a.at < b.at ? -1 : 1))
          .map((tally) => ({ id: newId(Date.parse(tally.at)), ...tally, amount: 1, circleId: id })),
      },
      endedAt: lesson.instantOf(34),
      goals: members.map(({ studentId, place }) => ({
        circleId: id,
        studentId,
        nextLookForId: goalOf(place),
        nextCount: 2,
      })),
    };
  });
}
