import { z } from 'zod';
import { patternsOf } from './patterns';
import { patternWords } from './patternWords';
import { partsOf } from './together';
import { concerns, streamNames, type ClassSeries, type Concern, type StreamName } from './streams';
import { levelsCrossed } from './levels';
import { levelFact } from './levelWords';
import { Lately, latelyOf } from './lately';
import { statesOf, watchedSeries, type WatchSettings } from './watchClass';
import { percent, weekdayWords } from './words';

const Point = z.object({ date: z.iso.date(), value: z.number() });

/** One student's small path: what there is of the last lessons, and how much has changed. */
export const GlanceStudent = z.object({
  studentId: z.string(),
  /** By lesson, in order: 1 missed, 0 there, null not taken or not in the class. */
  missed: z.array(z.number().nullable()),
  engagement: z.array(Point),
  voice: z.array(Point),
  /** Evidence for the largest change as a part of its limit, 0 for none; from 1 on it is one. */
  changed: z.number(),
  stream: z.enum(streamNames).nullable(),
  concern: z.enum(concerns).nullable(),
  /** A line that the student is over, in words, to follow the name; null where there is none. */
  fact: z.string().nullable(),
  lately: Lately,
});

export const ClassGlance = z.object({
  lessons: z.array(z.object({ id: z.string(), date: z.iso.date() })),
  /** Those who changed most first. */
  students: z.array(GlanceStudent),
  /** In words, with the numbers. */
  patterns: z.array(z.object({ studentId: z.string().nullable(), words: z.string() })),
});
export type ClassGlance = z.infer<typeof ClassGlance>;

const mostLessons = 30;

function pointsOf(series: ClassSeries, stream: 'engagement' | 'voice', i: number, from: string) {
  return series.streams[stream].flatMap(({ date, value }) => {
    const seen = value[i] ?? NaN;
    return Number.isNaN(seen) || date < from ? [] : [{ date, value: seen }];
  });
}

/** The class's own weekdays: how much more is missed on one than on the others, where it is more than chance. */
function classWeekdays(series: ClassSeries): ClassGlance['patterns'] {
  const byDay = new Map<number, { missed: number; taken: number }>();
  for (const { date, value } of series.streams.presence) {
    const day = ((new Date(`${date}T12:00:00Z`).getUTCDay() + 6) % 7) + 1;
    const counts = byDay.get(day) ?? { missed: 0, taken: 0 };
    for (const seen of value)
      if (!Number.isNaN(seen)) [counts.missed, counts.taken] = [counts.missed + seen, counts.taken + 1];
    byDay.set(day, counts);
  }
  const all = [...byDay.values()].reduce(
    (sum, { missed, taken }) => ({ missed: sum.missed + missed, taken: sum.taken + taken }),
    { missed: 0, taken: 0 },
  );
  return [...byDay].flatMap(([day, { missed, taken }]) => {
    const [restMissed, restTaken] = [all.missed - missed, all.taken - taken];
    if (taken < 40 || restTaken < 40) return [];
    const [here, there] = [missed / taken, restMissed / restTaken];
    const pooled = all.missed / all.taken;
    const z = (here - there) / Math.sqrt(pooled * (1 - pooled) * (1 / taken + 1 / restTaken));
    // Two-sided at 1 % over five weekdays (Bonferroni).
    if (!(Math.abs(z) > 3.1)) return [];
    return [
      {
        studentId: null,
        words: `The whole class misses ${percent(here)} of ${weekdayWords[day] ?? ''}s (${missed} of ${taken}) and ${percent(there)} of other days (${restMissed} of ${restTaken}).`,
      },
    ];
  });
}

/**
 * A class at a glance: everybody's small path, those who changed most first, and the patterns that stand out.
 * @param settings which streams the teacher watches in the class, and from which lines on
 * @param today the evening on which it is looked at, YYYY-MM-DD
 */
export function glanceOf(series: ClassSeries, { streams, lines }: WatchSettings, today: string): ClassGlance {
  const watched = watchedSeries(series, streams);
  const states = statesOf(watched);
  const levels = levelsCrossed(watched, lines);
  const lessons = series.lessons.slice(-mostLessons);
  const from = lessons[0]?.date ?? '';
  const presence = new Map(series.streams.presence.map((slot) => [slot.source, slot.value]));
  const lately = latelyOf(series, today);
  const students = series.students.flatMap(({ id, active }, i) => {
    if (!active) return [];
    let [changed, stream, concern]: [number, StreamName | null, Concern | null] = [0, null, null];
    for (const name of concerns) {
      const [first] = partsOf(states, name, i);
      if (first && first.ratio > changed) [changed, stream, concern] = [first.ratio, first.stream, name];
    }
    const missed = lessons.map((lesson) => {
      const seen = presence.get(lesson.id)?.[i] ?? NaN;
      return Number.isNaN(seen) ? null : seen;
    });
    return [
      {
        studentId: id,
        missed,
        engagement: pointsOf(series, 'engagement', i, from),
        voice: pointsOf(series, 'voice', i, from),
        changed: Math.round(changed * 1000) / 1000,
        stream,
        concern,
        fact: levels[i]?.[0] ? levelFact(levels[i][0]) : null,
        lately: lately(i),
      },
    ];
  });
  const own = patternsOf(watched).map((pattern) => {
    const name = series.students.find(({ id }) => id === pattern.studentId)?.name ?? '';
    return { studentId: pattern.studentId, words: `${name} ${patternWords(pattern)}.` };
  });
  return {
    lessons: lessons.map(({ id, date }) => ({ id, date })),
    students: students.sort((a, b) => b.changed - a.changed || (a.studentId < b.studentId ? -1 : 1)),
    patterns: [...classWeekdays(series), ...own],
  };
}
