import { Worker } from 'node:worker_threads';
import { observe } from '@slate-path/core/watch/signals/observe';
import { onsetOf } from '@slate-path/core/watch/signals/onset';
import type { PlantedChange } from '@slate-path/demo/simulator/students';
import type { ClassFigures } from './engine';
import { oracleEvidence, oracleStreams } from './oracle';
import { oracleWeekday } from './oracleWeekday';
import { limitOfPeaks, peaksOf } from './peaks';
import { plainRules, thresholdFor } from './plainRules';
import { quantile, rows, termOf } from './terms';

/** Lessons of students of a class of 30 in four weeks. */
const lessonsOfClass = 600;
/** One false entry for each concern in so many lessons of a student. */
const falseEvery = 1800;

interface Paths {
  onset: number;
  /** By stream: evidence of the planted student, with what was added, and of each who does not change. */
  planted: Record<string, { lesson: number; score: number; added: number }[]>;
  others: Record<string, number[][]>;
  rule: { lesson: number; score: number }[];
  ruleOthers: number[][];
}

/** What the oracle and the plain rule saw of one story in one class. */
function pathsOf(seed: string, story: PlantedChange): Paths {
  const term = termOf(seed);
  const [series] = observe(term.archive, { asOf: '9999-12-31' });
  if (!series) throw new Error('The simulator made no class.');
  const truthAt = rows.indexOf(story);
  const others = series.students.flatMap((_, i) => (i > rows.length ? [i] : []));
  const evidence = (stream: (typeof oracleStreams)[PlantedChange][number], i: number) =>
    oracleEvidence(term, series, story, stream, i).map((at) => ({
      lesson: at.lesson,
      score: at.evidence,
      added: at.score,
    }));
  return {
    onset: term.truths[0]?.onsetLesson ?? 0,
    planted: Object.fromEntries(oracleStreams[story].map((stream) => [stream, evidence(stream, truthAt)])),
    others: Object.fromEntries(
      oracleStreams[story].map((stream) => [
        stream,
        others.map((i) => evidence(stream, i).map(({ score }) => score)),
      ]),
    ),
    rule: plainRules[story](series, truthAt),
    ruleOthers: others.map((i) => plainRules[story](series, i).map(({ score }) => score)),
  };
}

/** The limit at which an oracle has so many false alarms: its evidence is set back to zero once it has passed. */
const oracleLimit = (paths: readonly number[][], entries: number) =>
  limitOfPeaks(paths.flatMap(peaksOf), entries);

const delayOf = (path: readonly { lesson: number; score: number }[], onset: number, limit: number) => {
  const found = path.find(({ lesson, score }) => lesson >= onset && score >= limit);
  return found ? found.lesson - onset + 1 : Infinity;
};

/** The onset as the oracle would date it when it alarms, less the true one. */
function onsetErrorOf(path: Paths['planted'][string], onset: number, limit: number): number | null {
  const at = path.findIndex(({ lesson, score }) => lesson >= onset && score >= limit);
  const seen = path.slice(0, at + 1);
  const recent = { lessons: seen.map(({ lesson }) => lesson), scores: seen.map(({ added }) => added) };
  return at < 0 ? null : onsetOf(recent, seen.at(-1)?.lesson ?? 0) - onset;
}

const withinThree = (errors: readonly number[]) =>
  errors.filter((error) => Math.abs(error) <= 3).length / Math.max(1, errors.length);

interface Delays {
  oracle: number[];
  oracleOnsets: number[];
  rule: number[];
}

function comparedWith(seeds: readonly string[], story: PlantedChange, rulePerStudentLesson: number): Delays {
  const all = seeds.map((seed) => pathsOf(seed, story));
  const lessons = all.reduce((sum, { onset: _, ruleOthers }) => sum + ruleOthers.length * 100, 0);
  const streams = oracleStreams[story];
  const first = streams[0] ?? '';
  const limits = Object.fromEntries(
    streams.map((stream) => [
      stream,
      oracleLimit(
        all.flatMap(({ others }) => others[stream] ?? []),
        lessons / falseEvery / streams.length,
      ),
    ]),
  );
  const threshold = thresholdFor(
    all.flatMap(({ ruleOthers }) => ruleOthers),
    lessons * rulePerStudentLesson,
  );
  return {
    oracle: all.map(({ planted, onset }) =>
      Math.min(...streams.map((stream) => delayOf(planted[stream] ?? [], onset, limits[stream] ?? Infinity))),
    ),
    // Of two streams the first, which tells more of that story.
    oracleOnsets: all.flatMap(
      ({ planted, onset }) => onsetErrorOf(planted[first] ?? [], onset, limits[first] ?? Infinity) ?? [],
    ),
    rule: all.map(({ rule, onset }) => delayOf(rule, onset, threshold)),
  };
}

/**
 * Delays of the engine's own evidence in the streams of a story alone, each at the oracle's rate of false alarms: what
 * the engine loses by having to estimate, without what it loses by sharing its false entries among ten streams.
 */
function delaysAlone(figures: readonly ClassFigures[], story: PlantedChange): number[] {
  const streams = oracleStreams[story];
  const lessons = figures.reduce((sum, { studentLessons }) => sum + studentLessons, 0);
  const limits = streams.map((stream) =>
    limitOfPeaks(
      figures.flatMap(({ alone }) => alone[`${story} ${stream}`]?.peaks ?? []),
      lessons / falseEvery / streams.length,
    ),
  );
  return figures.map(({ alone, onset }) =>
    Math.min(
      ...streams.map((stream, at) =>
        delayOf(alone[`${story} ${stream}`]?.planted ?? [], onset, limits[at] ?? Infinity),
      ),
    ),
  );
}

/** Share of the planted weekdays that the oracle calls within seven, at the engine's rate of false patterns. */
function weekdayByOracle(seeds: readonly string[], falsePerLesson: number): number {
  const others: number[][] = [];
  const planted = seeds.map((seed) => {
    const term = termOf(seed);
    const [series] = observe(term.archive, { asOf: '9999-12-31' });
    if (!series) throw new Error('The simulator made no class.');
    for (let i = rows.length + 1; i < series.students.length; i += 1)
      for (let day = 1; day <= 5; day += 1)
        others.push(oracleWeekday(term, series, i, day).map(({ score }) => score));
    const { day, onsetLesson } = term.truths.find(({ story }) => story === 'weekday') ?? {};
    const path = oracleWeekday(term, series, rows.length, day ?? 1);
    return path.filter(({ lesson }) => lesson >= (onsetLesson ?? 0) && lesson < (onsetLesson ?? 0) + 35);
  });
  // Each student has five paths, of a hundred lessons together.
  const limit = oracleLimit(others, (others.length / 5) * 100 * falsePerLesson);
  return planted.filter((path) => path.some(({ score }) => score >= limit)).length / seeds.length;
}

const goals: Record<PlantedChange, string> = {
  absence: 'absence 4 % to 40 %',
  engagement: 'engagement down one level',
  voice: 'voice 1.2 to 0.24',
  onlineAndVoice: 'online to a third, voice halved',
  missingWork: 'missing work 5 % to 50 %',
};

function report(
  figures: readonly ClassFigures[],
  seeds: readonly string[],
  stories: readonly PlantedChange[],
): Record<string, number> {
  const out: Record<string, number> = {};
  const lessons = figures.reduce((sum, { studentLessons }) => sum + studentLessons, 0);
  let entries = 0;
  const byReason: Record<string, number> = {};
  for (const { falseEntries } of figures)
    for (const [reason, count] of Object.entries(falseEntries)) {
      entries += count;
      byReason[reason] = (byReason[reason] ?? 0) + count;
    }
  out['false entries per class of 30 and four weeks'] = (entries / lessons) * lessonsOfClass;
  for (const [reason, count] of Object.entries(byReason).sort((a, b) => b[1] - a[1]))
    out[`  ${reason}`] = (count / lessons) * lessonsOfClass;
  for (const story of stories) {
    const { oracle, oracleOnsets, rule } = comparedWith(seeds, story, 1 / falseEvery);
    const engine = figures
      .filter(({ early }) => !early.includes(story))
      .map(({ delays }) => delays[story] ?? Infinity);
    const alone = delaysAlone(figures, story);
    const errors = figures.flatMap(({ onsetErrors }) =>
      story in onsetErrors ? [onsetErrors[story] ?? 0] : [],
    );
    for (const [name, share] of [
      ['median', 0.5],
      ['90 %', 0.9],
    ] as const) {
      const [own, best, plain] = [engine, oracle, rule].map((delays) => quantile(delays, share));
      out[`${goals[story]}: engine ${name}, lessons`] = own ?? NaN;
      out[`${goals[story]}: oracle ${name}`] = best ?? NaN;
      out[`${goals[story]}: plain rule ${name}`] = plain ?? NaN;
      out[`${goals[story]}: engine to oracle, ${name}`] = (own ?? NaN) / (best ?? NaN);
      out[`${goals[story]}: engine alone at the oracle’s rate, ${name}`] = quantile(alone, share);
    }
    out[`${goals[story]}: onset within 3 lessons, share`] = withinThree(errors);
    out[`${goals[story]}: the same by the oracle`] = withinThree(oracleOnsets);
  }
  out['weekday pattern called within 7 such days, share'] =
    figures.filter(({ patternDays }) => patternDays <= 7).length / figures.length;
  out['the same by the oracle'] = weekdayByOracle(
    seeds,
    (byReason['absent, pattern of presence'] ?? 0) / lessons,
  );
  return out;
}

/**
 * Follows classes in two threads.
 * @param family of seeds, none of which made the limits @param stories to tell of: those whose streams the classes have
 */
export async function qualityOf(
  family: string,
  classes: number,
  stories: readonly PlantedChange[] = rows,
): Promise<Record<string, number>> {
  const seeds = Array.from({ length: classes }, (_, index) => `${family} ${index}`);
  const halves = [0, 1].map((side) => seeds.filter((_, index) => index % 2 === side));
  const followed = await Promise.all(
    halves.map(
      (half) =>
        new Promise<ClassFigures[]>((resolve, reject) => {
          const worker = new Worker(new URL('./follower.mjs', import.meta.url), { workerData: half });
          worker.on('message', resolve).on('error', reject);
        }),
    ),
  );
  return report(followed.flat(), seeds, stories);
}
