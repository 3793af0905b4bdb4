import { missing } from '@slate-path/core/watch/signals/models/handInModel';
import type { ClassSeries, Slot } from '@slate-path/core/watch/signals/streams';
import type { PlantedChange } from '@slate-path/demo/simulator/students';

/**
 * The rules that are usual without an engine, each with one number that can be set: a share there in the last
 * 20 lessons, no tally for so many lessons, so many pieces missing lately, a mean level lately, actions in
 * the last two weeks. Each gives a score after every lesson; over the number, the student is listed.
 */
type Rule = (series: ClassSeries, i: number) => { lesson: number; score: number }[];

const seen = (slots: readonly Slot[], i: number) => slots.filter(({ value }) => !Number.isNaN(value[i]));

/** A score over the last times that a stream was seen. */
function rolling(slots: readonly Slot[], i: number, times: number, scoreOf: (values: number[]) => number) {
  const own = seen(slots, i);
  return own.flatMap(({ lesson }, at) => {
    if (at + 1 < times) return [];
    const values = own.slice(at + 1 - times, at + 1).map(({ value }) => value[i] ?? 0);
    return [{ lesson, score: scoreOf(values) }];
  });
}

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** Lessons observed in a row in which nothing was heard. */
function silence(series: ClassSeries, i: number) {
  let since = 0;
  return seen(series.streams.voice, i).map(({ lesson, value }) => {
    since = value[i] === 0 ? since + 1 : 0;
    return { lesson, score: since };
  });
}

export const plainRules: Record<PlantedChange, Rule> = {
  absence: (series, i) => rolling(series.streams.presence, i, 20, mean),
  engagement: (series, i) => rolling(series.streams.engagement, i, 5, (values) => 3 - mean(values)),
  voice: silence,
  onlineAndVoice: (series, i) => rolling(series.streams.online, i, 10, (values) => -mean(values)),
  missingWork: (series, i) =>
    rolling(series.streams.hand_in, i, 6, (values) => values.filter((value) => value === missing).length),
};

/** The number of a rule at which chance lists so many students of whom nothing changed. */
export function thresholdFor(scores: readonly number[][], entries: number): number {
  const levels = [...new Set(scores.flat())].sort((a, b) => b - a);
  let chosen = Infinity;
  for (const level of levels) {
    let found = 0;
    for (const path of scores)
      path.forEach(
        (score, at) => (found += score >= level && !((path[at - 1] ?? -Infinity) >= level) ? 1 : 0),
      );
    if (found > entries) break;
    chosen = level;
  }
  return chosen;
}
