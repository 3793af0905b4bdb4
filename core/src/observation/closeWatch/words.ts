import { many } from '../../words/many';
import { durationWords } from '../tallies/duration';
import type { Agreement } from './agreement';
import type { Figures } from './figures';
import { valueOf } from './figures';
import type { ObservationMethod } from './limits';
import { methodWords } from './methods';

/** A number to one decimal, without one where there is none to say: `1.2`, `12`. Small ones to two. */
export function numberWords(value: number): string {
  const size = Math.abs(value) < 1 ? 100 : 10;
  return String(Math.round(value * size) / size).replace('-', '−');
}

export const percentWords = (value: number) => `${Math.round(value)}\u00a0%`;

/** A value of a method with its unit: `1.2 a minute`, `45 %`, `12 s`. */
export function valueWords(method: ObservationMethod, value: number): string {
  if (method === 'frequency') return `${numberWords(value)} a minute`;
  return method === 'latency' ? `${numberWords(value)} s` : percentWords(value);
}

/** What a session tells of a student, in one line. */
export function figuresWords(figures: Figures): string {
  const observed = durationWords(figures.observedSeconds);
  switch (figures.kind) {
    case 'frequency':
      return figures.perMinute === null
        ? 'not observed'
        : `${many(figures.count, 'time')} in ${observed}, ${numberWords(figures.perMinute)} a minute`;
    case 'duration': {
      if (figures.percent === null) return 'not observed';
      if (figures.count === 0) return `not once in ${observed}`;
      const mean = durationWords(figures.meanSeconds ?? 0);
      return `${many(figures.count, 'time')}, ${durationWords(figures.totalSeconds)} of ${observed} (${percentWords(figures.percent)}), ${mean} each on average`;
    }
    case 'latency': {
      if (figures.asked === 0) return 'never asked for';
      const begun = `begun ${figures.count} of ${many(figures.asked, 'time')}`;
      return figures.medianSeconds === null
        ? begun
        : `${begun}, after ${numberWords(figures.medianSeconds)} s (median)`;
    }
    case 'interval': {
      const missed = figures.outcomes.length - figures.observed;
      const rest = missed === 0 ? '' : `; ${missed} not observed`;
      return figures.percent === null
        ? `none of ${many(figures.outcomes.length, 'interval')} observed`
        : `seen in ${figures.seen} of ${many(figures.observed, 'interval')}, ${percentWords(valueOf(figures) ?? 0)}${rest}`;
    }
  }
}

/** How a plan runs: `Momentary time sampling, every 30 s for 10 min`. */
export function runWords({
  method,
  intervalSeconds,
  recordSeconds,
  lengthSeconds,
}: {
  method: ObservationMethod;
  intervalSeconds: number | null;
  recordSeconds: number;
  lengthSeconds: number;
}): string {
  const every =
    intervalSeconds === null
      ? ''
      : method === 'momentary'
        ? `every ${durationWords(intervalSeconds)} `
        : `${durationWords(intervalSeconds)} each${recordSeconds > 0 ? ` and ${durationWords(recordSeconds)} to write down` : ''}, `;
  return `${methodWords[method].name}, ${every}for ${durationWords(lengthSeconds)}`;
}

const casesOf: Record<Agreement['by'], string> = {
  interval: 'interval',
  second: 'second',
  window: 'window of 10 s',
  asked: 'answer',
};

/** How far two observers agree, in one sentence. */
export function agreementWords({ by, cases, percent, totalPercent, kappa }: Agreement): string {
  if (percent === null) return 'There is nothing that both observed.';
  const kinds = by === 'window' && cases !== 1 ? 'windows of 10 s' : null;
  const what = kinds === null ? many(cases, casesOf[by]) : `${cases} ${kinds}`;
  const same =
    by === 'asked'
      ? `The smaller time is ${percentWords(percent)} of the larger, on average of ${what}.`
      : `The same in ${percentWords(percent)} of ${what}.`;
  const total =
    totalPercent === null ? '' : ` The smaller sum is ${percentWords(totalPercent)} of the larger.`;
  const value = kappa?.kappa;
  if (kappa === null || value === undefined) return `${same}${total}`;
  if (value === null) return `${same}${total} Kappa has no value.`;
  const error = kappa.standardError;
  const range =
    error === null
      ? ''
      : ` (95\u00a0% range ${numberWords(Math.max(value - 1.96 * error, -1))} to ${numberWords(Math.min(value + 1.96 * error, 1))})`;
  return `${same}${total} Cohen's kappa ${numberWords(value)}${range}.`;
}
