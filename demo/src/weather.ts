import seedrandom from 'seedrandom';
import { plainSetting } from '@slate-path/core/checkIn/window';
import type { ChangeOf } from '@slate-path/core/changes/schema';

type CheckInPayload = ChangeOf<'checkIn.record'>['payload'];

/** The class of the demo whose students check themselves in. */
export const checkInClass = 'Watch';
export const checkInSetting = { ...plainSetting, lunchChoices: ['soup', 'fish pie', 'own'] };

const comments = ['Slept badly', 'My splice held!', 'Can I show you my log?', 'Long way in against the wind'];

/** One whose weather turned three weeks before the end. */
const turns = { name: 'Odalys', lessonsBefore: 4 };

/**
 * What those who were there said on coming in, lesson by lesson: everyone has a weather of their own and
 * varies round it.
 * @param lessons in order of time, with the ids of those who were there
 */
export function makeCheckIns(
  lessons: readonly { key: CheckInPayload['lesson']; there: readonly { id: string; givenName: string }[] }[],
  instantOf: (date: string, minutesBeforeStart: number, startsAt: string) => string,
): CheckInPayload[] {
  const random = seedrandom('inner weather');
  const usual = new Map<string, number>();
  return lessons.flatMap(({ key, there }, index) =>
    there.flatMap(({ id, givenName }) => {
      const own = usual.get(id) ?? 2.6 + random() * 2;
      usual.set(id, own);
      const [forgets, swing, word, talks, lunch] = [random(), random(), random(), random(), random()];
      const turned = givenName === turns.name && index >= lessons.length - turns.lessonsBefore;
      const weather = Math.min(Math.max(Math.round((turned ? 1.4 : own) + (swing - 0.5) * 2), 1), 5);
      if (forgets < 0.08) return [];
      const checkIn = {
        studentId: id,
        at: instantOf(key.date, 2 + Math.floor(swing * 6), key.startsAt),
        weather: forgets < 0.12 ? null : weather,
        wantsWord: word < (turned ? 0.5 : 0.02),
        lunch: checkInSetting.lunchChoices[Math.floor(lunch * 4)] ?? '',
        comment: talks < 0.06 ? (comments[Math.floor(talks * 66)] ?? '') : '',
        device: `phone-${id.slice(-6)}`,
        sameDevice: false,
      };
      return [{ lesson: key, checkIn, mark: null }];
    }),
  );
}
