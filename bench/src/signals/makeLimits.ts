import fs from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { followStreams } from '@slate-path/core/watch/signals/followStreams';
import { observe } from '@slate-path/core/watch/signals/observe';
import { falseTogether, lessonsOfClass, limitsOf } from '@slate-path/core/watch/signals/budget';
import type { LimitTable } from '@slate-path/core/watch/signals/limits';
import {
  concerns,
  streamNames,
  type ClassSeries,
  type Concern,
  type StreamName,
} from '@slate-path/core/watch/signals/streams';
import { partsOf, together } from '@slate-path/core/watch/signals/together';
import { simulateTerm } from '@slate-path/demo/simulator/simulateTerm';

/** Students who hardly ever do a thing are told apart from others: of them chance looks different. */
const borders: Record<StreamName, number[]> = {
  presence: [],
  lateness: [],
  voice: [0.5],
  trouble: [0.1],
  engagement: [],
  weather: [],
  online: [2.5],
  hand_in: [],
  score: [],
  stuck: [],
};
const observations = [50, 100, 200, 400, 800, 1600, 3200, 6400, 12800, 25600];
const classes = Number(process.argv[2] ?? 600);

/** Peaks of the evidence between two zeros, of students who do not change, with how often they were seen. */
class Peaks {
  readonly peaks: number[] = [];
  seen = 0;

  /** The evidence that is passed once in so many observations. */
  limit(every: number): number {
    if (this.peaks.length === 0) return NaN;
    const falling = this.peaks.sort((a, b) => b - a);
    const rank = this.seen / every;
    if (rank >= 1) return falling[Math.min(falling.length, Math.round(rank)) - 1] ?? 1;
    // Rarer than anything seen: the tail goes on by one for each factor of e.
    return (falling[0] ?? 1) + Math.log(1 / rank);
  }
}

const peaks = new Map<string, Peaks>();
const peaksOf = (stream: StreamName, row: number) => {
  const key = `${stream} ${row}`;
  const found = peaks.get(key) ?? new Peaks();
  peaks.set(key, found);
  return found;
};

/**
 * A class in which nobody changes. Classes differ widely, so that the table holds for many: in every third one day tells
 * nothing of another.
 */
function seriesOf(index: number): ClassSeries {
  const { archive } = simulateTerm({
    seed: `tune ${index}`,
    students: 30,
    weeks: 18,
    startsOn: '2026-01-05',
    planted: [],
    weekday: false,
    onsetLesson: 0,
    variety: 0.4,
    independent: index % 3 === 0,
  });
  const [series] = observe(archive, { asOf: '2026-12-31' });
  if (!series) throw new Error('The simulator made no class.');
  return series;
}

function hear(index: number): void {
  const series = seriesOf(index);
  const highest = new Map<object, { stream: StreamName; peak: number; row: number }>();
  followStreams(series, {
    limitOf: () => () => Infinity,
    heard: (stream, i, standing, model) => {
      const rarity = model.rarity(i);
      const border = borders[stream].findIndex((upTo) => rarity <= upTo);
      const row = border < 0 ? borders[stream].length : border;
      const bin = peaksOf(stream, row);
      bin.seen += 1;
      const before = highest.get(standing);
      if (standing.evidence > (before?.peak ?? 0))
        highest.set(standing, { stream, peak: standing.evidence, row });
      else if (standing.evidence === 0 && before) {
        peaksOf(stream, before.row).peaks.push(before.peak);
        highest.delete(standing);
      }
    },
  });
  // What had not come back to zero by the end of the term counts too.
  for (const { stream, peak, row } of highest.values()) peaksOf(stream, row).peaks.push(peak);
}

for (let index = 0; index < classes; index += 1) hear(index);
/** A row with too little in it is left out: the next border stands for it too. */
const enough = 20_000;
const streams = Object.fromEntries(
  streamNames.map((stream) => {
    const rows = [...borders[stream], null].map((upTo, row) => ({ upTo, bin: peaksOf(stream, row) }));
    const kept = rows.filter(({ bin }) => bin.seen >= enough);
    const limits = ({ bin }: (typeof rows)[number]) =>
      observations.map((every) => Number(bin.limit(every).toFixed(2)));
    return [
      stream,
      kept.map((row, at) => ({ upTo: at === kept.length - 1 ? null : row.upTo, limits: limits(row) })),
    ];
  }),
);
const file = new URL('../../../core/src/watch/signals/limits.json', import.meta.url);
const table = { observations, streams };

/** How high sums of several streams rise by chance, where no stream has passed its own limit. */
function togetherLimits(): Record<Concern, number> {
  const rises: Record<Concern, number[]> = { absent: [], disengaged: [], struggling: [] };
  let lessons = 0;
  for (let index = 0; index < classes; index += 1) {
    const series = seriesOf(index);
    const has = new Set(streamNames.filter((stream) => series.streams[stream].length > 0));
    const peak = new Map<string, number>();
    lessons += series.lessons.length * series.students.length;
    followStreams(series, {
      limitOf: limitsOf(has, table as LimitTable),
      evening: (_date, states) => {
        for (const concern of concerns)
          for (let i = 0; i < series.students.length; i += 1) {
            const parts = partsOf(states, concern, i);
            const sum = parts.some(({ ratio }) => ratio >= 1) ? 0 : together(parts);
            const key = `${concern} ${i}`;
            const before = peak.get(key) ?? 0;
            if (sum > 0) peak.set(key, Math.max(before, sum));
            else if (before > 0) {
              rises[concern].push(before);
              peak.delete(key);
            }
          }
      },
    });
  }
  const limitOfRises = (concern: Concern) => {
    const rank = Math.round((lessons / lessonsOfClass) * falseTogether[concern]);
    return Number((rises[concern].sort((a, b) => b - a)[rank] ?? 2).toFixed(3));
  };
  return Object.fromEntries(concerns.map((concern) => [concern, limitOfRises(concern)])) as Record<
    Concern,
    number
  >;
}

const text = JSON.stringify({ ...table, together: togetherLimits() }, null, 2);
fs.writeFileSync(file, await format(text, { ...(await resolveConfig(file)), parser: 'json' }));
console.log(`${classes} classes heard; ${file.pathname} is written.`);
