import type { Chance } from './chance';
import type { LessonMood } from './moods';
import type { Usual } from './students';

export const onlineSize = 2;

/** How long an illness lasts that has begun by a day: two to four days together. @returns its last day, or `illUntil` */
export function drawIllness(
  chance: Chance,
  usual: Usual,
  mood: LessonMood,
  illUntil: number,
  day: number,
): number {
  const begins = day > illUntil && chance.hit(Math.min(0.5, usual.ill * mood.ill));
  return begins ? day + chance.whole(2, 4) - 1 : illUntil;
}

/** Whether a day is missed for itself. @param share in place of the usual one, whatever the day */
export function drawMissed(chance: Chance, usual: Usual, mood: LessonMood, share: number | null): boolean {
  return chance.hit(share ?? Math.min(0.95, usual.away * mood.away));
}

const levelAt = (place: number, lowest: number, highest: number) =>
  Math.min(highest, Math.max(lowest, Math.round(place)));

export function drawEngagement(chance: Chance, usual: Usual, mood: LessonMood): number {
  return levelAt(chance.normal(usual.engagement + mood.engagement, usual.scatter), 0, 3);
}

export function drawWeather(chance: Chance, usual: Usual): number {
  return levelAt(chance.normal(usual.weather, 0.8), 1, 5);
}

/** Actions on a day. */
export function drawOnline(chance: Chance, usual: Usual, mood: LessonMood): number {
  return chance.overdispersed(usual.online * mood.online, onlineSize);
}

/** What became of a piece of work: handed in so many days late (0 is in time) with a score in percent, or missing. */
export function drawHandIn(
  chance: Chance,
  usual: Usual,
  mood: LessonMood,
): { daysLate: number; score: number } | null {
  const isMissing = chance.hit(Math.min(0.9, usual.missing * mood.missing));
  const isLate = !isMissing && chance.hit(usual.handsInLate);
  const daysLate = isLate ? chance.whole(1, 3) : 0;
  const score = Math.round(Math.min(100, Math.max(0, chance.normal(usual.score, 9))));
  return isMissing ? null : { daysLate, score };
}
