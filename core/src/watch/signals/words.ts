import { weekdayNames } from '../../calendar/weekdays';
import { format, parseISO } from 'date-fns';
import type { StreamName } from './streams';

const numberWords = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];

/** Small numbers in words, as one says them. */
export function inWords(count: number): string {
  return numberWords[count] ?? String(count);
}

/** "none" for 0, as in "none of 13 lessons". */
export const noneOr = (count: number) => (count === 0 ? 'none' : inWords(count));

/** "one lesson", "nine lessons". */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${inWords(count)} ${count === 1 ? one : many}`;
}

/** With a space that does not break, so that the sign stays with its number. */
export const percent = (share: number) => `${Math.round(share * 100)}\u00A0%`;
export const day = (date: string) => format(parseISO(date), 'd MMMM');

/** Nobody says "one in 185" who has seen forty lessons. */
const hardlyAny = 0.02;

/** A share as one says it: one in four, half, nearly all. */
export function shareInWords(share: number): string {
  if (share < hardlyAny) return 'hardly any';
  if (share < 0.42) return `one in ${inWords(Math.round(1 / share))}`;
  if (share < 0.58) return 'half';
  if (share < 0.72) return 'two in three';
  return share < 0.9 ? 'most' : 'nearly all';
}

/** A rate as one says it: one in eight lessons, about two a lesson. */
export function rateInWords(rate: number, one: string, many = `${one}s`): string {
  if (rate < hardlyAny) return 'hardly any';
  if (rate < 0.75) return `one in ${counted(Math.max(2, Math.round(1 / rate)), one, many)}`;
  const rounded = rate < 3 ? Math.round(rate * 2) / 2 : Math.round(rate);
  const whole = Number.isInteger(rounded)
    ? inWords(rounded)
    : rounded === 1.5
      ? 'one and a half'
      : String(rounded);
  return `about ${whole} a ${one}`;
}

const oneDecimal = (value: number) => value.toFixed(1);

/** What was seen since a change began, and what is usual. */
export interface Seen {
  /** Sum over what was seen, its exposure, and how often. */
  sum: number;
  exposure: number;
  n: number;
  usual: number;
}

const mean = ({ sum, n }: Seen) => sum / Math.max(1, n);

/** What a student did since a change began, to follow a name: "has spoken once in nine observed lessons; the usual is ...". */
export const changeInWords: Record<StreamName, (seen: Seen) => string> = {
  presence: ({ sum, n, usual }) =>
    `has missed ${noneOr(sum)} of ${counted(n, 'lesson')}; the usual is ${shareInWords(usual)}`,
  lateness: ({ sum, n, usual }) =>
    `came late to ${noneOr(sum)} of ${counted(n, 'lesson')}; the usual is ${shareInWords(usual)}`,
  voice: ({ sum, n, usual }) =>
    `was heard ${times(sum)} in ${counted(n, 'observed lesson')}; the usual is ${rateInWords(usual, 'lesson')}`,
  trouble: ({ sum, n, usual }) =>
    `had ${counted(sum, 'unwanted tally', 'unwanted tallies')} in ${counted(n, 'observed lesson')}; the usual is ${rateInWords(usual, 'lesson')}`,
  engagement: (seen) =>
    `stands at ${oneDecimal(mean(seen))} of 3 over ${counted(seen.n, 'sweep')}; the usual is ${oneDecimal(seen.usual)}`,
  weather: (seen) =>
    `says ${oneDecimal(mean(seen))} of 5 for inner weather over ${counted(seen.n, 'check-in')}; the usual is ${oneDecimal(seen.usual)}`,
  online: (seen) =>
    `did ${oneDecimal(mean(seen))} things a day online on ${counted(seen.n, 'day')}; the usual is ${oneDecimal(seen.usual)}`,
  hand_in: ({ sum, n, usual }) =>
    `did not hand in ${noneOr(sum)} of ${counted(n, 'piece')} of work; the usual is ${shareInWords(usual)}`,
  score: (seen) =>
    `scored ${oneDecimal(Math.abs(mean(seen)))} points ${mean(seen) < 0 ? 'under' : 'over'} the class’s middle on ${counted(seen.n, 'piece')} of work; the usual is ${oneDecimal(Math.abs(seen.usual))} ${seen.usual < 0 ? 'under' : 'over'}`,
  stuck: ({ sum, n, usual }) =>
    `was noted with trouble ${times(sum)} on ${counted(n, 'day')} with notes; the usual is ${rateInWords(usual, 'day')}`,
};

function times(count: number): string {
  if (count === 0) return 'not once';
  return count === 1 ? 'once' : count === 2 ? 'twice' : `${inWords(count)} times`;
}

export const streamWords: Record<StreamName, string> = {
  presence: 'lessons missed',
  lateness: 'coming late',
  voice: 'being heard',
  trouble: 'trouble',
  engagement: 'engagement',
  weather: 'inner weather',
  online: 'work online',
  hand_in: 'work not handed in',
  score: 'scores',
  stuck: 'notes of trouble',
};

/** By the number of the day: 1 is Monday. */
export const weekdayWords = ['', ...weekdayNames];
