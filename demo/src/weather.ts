import { plainSetting } from '@slate-path/core/attendance/checkIn/window';
import type { ChangeOf } from '@slate-path/core/changes/schema';
import type { SchoolLife } from './life';
import { drawWeather } from './simulator/draws';
import type { Pupil } from './tallies';

type CheckInPayload = ChangeOf<'checkIn.record'>['payload'];

/** The class of the demo whose students check themselves in. */
export const checkInClass = 'Lantern Crew';
export const checkInSetting = { ...plainSetting, lunchChoices: ['soup', 'fish pie', 'own'] };

const comments = ['Slept badly', 'My splice held!', 'Can I show you my log?', 'Long way in against the wind'];

/**
 * What those who were there said on coming in, lesson by lesson: everyone has a weather of their own and
 * varies round it. Whoever is in a storm often asks for a quiet word.
 * @param lessons in order of time
 */
export function makeCheckIns(
  lessons: readonly { key: CheckInPayload['lesson']; there: readonly Pupil[] }[],
  life: SchoolLife,
  instantOf: (date: string, minutesBeforeStart: number, startsAt: string) => string,
): CheckInPayload[] {
  return lessons.flatMap(({ key, there }) => {
    const at = life.momentOf(key.date, key.startsAt);
    const chance = life.chance('inner weather', at);
    return there.flatMap(({ id, student }) => {
      const usual = life.usualOf(student, at);
      const weather = drawWeather(chance, usual);
      if (chance.hit(0.08)) return [];
      const checkIn = {
        studentId: id,
        at: instantOf(key.date, chance.whole(2, 7), key.startsAt),
        weather: chance.hit(0.04) ? null : weather,
        wantsWord: chance.hit(usual.weather < 2 ? 0.5 : 0.02),
        lunch: checkInSetting.lunchChoices[chance.whole(0, checkInSetting.lunchChoices.length)] ?? '',
        comment: chance.hit(0.06) ? (comments[chance.whole(0, comments.length - 1)] ?? '') : '',
        device: `phone-${id.slice(-6)}`,
        sameDevice: false,
      };
      return [{ lesson: key, checkIn, mark: null }];
    });
  });
}
