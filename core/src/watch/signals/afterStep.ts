import type { Step } from '../../records/schema';
import { handInMissing } from './models/handInModel';
import { streamsOf, type ClassSeries, type Slot, type StreamName } from './streams';
import { fewestAfter } from './outcomeWords';
import type { StepOutcome } from './stepOutcome';

/** Looked at before a step: the last times, as many as these. */
const mostBefore = 15;
/** Beyond chance, one-sided at 5 %. */
const beyondChance = 1.645;

const moreIsBetter: Record<StreamName, boolean> = {
  presence: false,
  lateness: false,
  voice: true,
  trouble: false,
  engagement: true,
  weather: true,
  online: true,
  hand_in: false,
  score: true,
  stuck: false,
};

/** A student's values less the class's mean at the same time. */
interface Differences {
  own: number[];
  others: number[];
}

function differences(slots: readonly Slot[], i: number, valueOf: (value: number) => number): Differences {
  const found: Differences = { own: [], others: [] };
  for (const { value } of slots) {
    const own = value[i] ?? NaN;
    if (Number.isNaN(own)) continue;
    let sum = 0;
    let count = 0;
    value.forEach((other, j) => {
      if (j === i || Number.isNaN(other)) return;
      sum += valueOf(other);
      count += 1;
    });
    found.own.push(valueOf(own));
    found.others.push(count === 0 ? 0 : sum / count);
  }
  return found;
}

const mean = (values: readonly number[]) =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

function variance(values: readonly number[]): number {
  const middle = mean(values);
  return values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / Math.max(1, values.length - 1);
}

/** The standard error that even a row of equal values is given: nobody is so steady. */
const leastError = 0.1;

/**
 * Before and after a day in one stream, the class's own change taken off (difference in differences).
 * Source: Welch (1947), Biometrika 34, 28-35, for two means of unequal variance.
 */
function outcomeOf(series: ClassSeries, stream: StreamName, i: number, date: string): StepOutcome | null {
  const valueOf = stream === 'hand_in' ? handInMissing : (value: number) => value;
  const slots = series.streams[stream];
  const before = differences(
    slots
      .filter((slot) => slot.date <= date)
      .filter(({ value }) => !Number.isNaN(value[i]))
      .slice(-mostBefore),
    i,
    valueOf,
  );
  const after = differences(
    slots.filter((slot) => slot.date > date),
    i,
    valueOf,
  );
  if (before.own.length === 0) return null;
  const gap = ({ own, others }: Differences) => own.map((value, at) => value - (others[at] ?? 0));
  const [gapBefore, gapAfter] = [gap(before), gap(after)];
  const error = Math.sqrt(
    variance(gapBefore) / Math.max(1, gapBefore.length) + variance(gapAfter) / Math.max(1, gapAfter.length),
  );
  const change = (mean(gapAfter) - mean(gapBefore)) * (moreIsBetter[stream] ? 1 : -1);
  const z = change / Math.max(error, leastError * Math.max(0.3, Math.abs(mean(before.own))));
  const verdict =
    after.own.length < fewestAfter
      ? 'too_few'
      : z >= beyondChance
        ? 'better'
        : z <= -beyondChance
          ? 'worse'
          : 'same';
  return {
    stream,
    before: mean(before.own),
    after: mean(after.own),
    classBefore: mean(before.others),
    classAfter: mean(after.others),
    seenBefore: before.own.length,
    seenAfter: after.own.length,
    verdict,
  };
}

/**
 * What became of a student since a step: the streams of its concern, those seen often enough first.
 * @param date the day of the step at the school
 */
export function afterStep(
  series: ClassSeries,
  step: Pick<Step, 'studentId' | 'concern'>,
  date: string,
): StepOutcome[] {
  const i = series.students.findIndex(({ id }) => id === step.studentId);
  if (i < 0 || step.concern === null) return [];
  const outcomes = streamsOf[step.concern].flatMap((stream) => outcomeOf(series, stream, i, date) ?? []);
  return outcomes.sort((a, b) => Number(a.verdict === 'too_few') - Number(b.verdict === 'too_few'));
}
