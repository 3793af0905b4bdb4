import { addDays, format, parseISO } from 'date-fns';
import type { Chance } from './chance';

/** The class's own ups and downs in one lesson, as factors and shifts of everybody's usual. */
export interface LessonMood {
  date: string;
  away: number;
  ill: number;
  voice: number;
  engagement: number;
  online: number;
  missing: number;
  observed: boolean;
  swept: boolean;
  noted: boolean;
  taken: boolean;
}

const weekdayFactor = [1.3, 0.9, 0.8, 0.9, 1.35];

/** Everybody as usual. */
const noMood = { away: 1, ill: 0, voice: 1, engagement: 0, online: 1, missing: 1 };

/**
 * The moods of a term's school days, Monday to Friday: weather and weekdays, a cold that goes round, a week of exams in
 * which all change, and a teacher who looks only now and then.
 * @param startsOn a Monday @param independent none of that: one day tells nothing of another; only the teacher looks
 * now and then
 */
export function drawMoods(
  chance: Chance,
  { weeks, startsOn, independent = false }: { weeks: number; startsOn: string; independent?: boolean },
): LessonMood[] {
  const examWeek = chance.whole(5, Math.max(5, weeks - 4));
  const coldFrom = chance.whole(1, Math.max(2, weeks - 3)) * 5;
  return Array.from({ length: weeks * 5 }, (_, at) => {
    const exam = Math.floor(at / 5) === examWeek;
    const storm = chance.hit(0.03);
    const cold = at >= coldFrom && at < coldFrom + 12;
    const mood = {
      date: format(addDays(parseISO(startsOn), Math.floor(at / 5) * 7 + (at % 5)), 'yyyy-MM-dd'),
      away: (weekdayFactor[at % 5] ?? 1) * (storm ? 4 : 1),
      ill: cold ? 4 : 0.6,
      voice: Math.exp(chance.normal(-0.05, 0.3)) * (exam ? 0.4 : 1),
      engagement: chance.normal(0, 0.2) - (exam ? 0.6 : 0),
      online: Math.exp(chance.normal(-0.05, 0.3)) * (exam ? 1.6 : 1),
      missing: exam ? 2 : 1,
      observed: chance.hit(0.7),
      swept: chance.hit(0.5),
      noted: chance.hit(0.5),
      taken: chance.hit(0.96),
    };
    return independent ? { ...mood, ...noMood } : mood;
  });
}
