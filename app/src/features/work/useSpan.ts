import { useLocalSearchParams, useRouter } from 'expo-router';
import { isDate } from '@slate-path/core/calendar/isDate';
import { addDays } from '@slate-path/core/calendar/localTime';
import { dayMonth, shortDay } from '../../parts/dates';
import { useLastDay } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';

/** Some days that a page is about. */
export interface Span {
  from: string;
  to: string;
  /** In a sentence, with the word before it. */
  before: string;
  words: string;
  /** Which of the choices it is. */
  value: string;
}

export interface SpanChoice {
  value: string;
  label: string;
}

const choices: SpanChoice[] = [
  { value: 'today', label: 'today' },
  { value: '7', label: 'the last 7 days' },
  { value: '28', label: 'the last 28 days' },
  { value: 'term', label: 'the term' },
  { value: 'dates', label: 'other days' },
];

interface ChosenSpan extends Span {
  /** Those that there are: a class may have no term. */
  choices: SpanChoice[];
  set: (params: Record<string, string>) => void;
}

const longest = 400;

/** The days that the address names: one day, some length of time up to now, the term, or any from and to. */
export function useSpan(sectionId: string): ChosenSpan {
  const router = useRouter();
  const { span = '7', from, to } = useLocalSearchParams<{ span?: string; from?: string; to?: string }>();
  const last = useLastDay(sectionId);
  const terms = useRecords((state) => state.current.term);
  const set = (params: Record<string, string>) => {
    router.setParams({ span: undefined, from: undefined, to: undefined, ...params });
  };
  const term = Object.values(terms).find(
    ({ startsOn, endsOn, removed }) => !removed && startsOn <= last && last <= endsOn,
  );
  const rest = { choices: choices.filter(({ value }) => value !== 'term' || term), set };
  const isRange = span === 'dates' && from && to && isDate(from) && isDate(to) && from <= to;
  if (isRange && to <= addDays(from, longest)) {
    const words = from === to ? shortDay(from) : `${dayMonth(from)} to ${dayMonth(to)}`;
    return { from, to, before: from === to ? 'On' : 'From', words, value: 'dates', ...rest };
  }
  if (span === 'term' && term)
    return { from: term.startsOn, to: last, before: 'In', words: 'the term', value: 'term', ...rest };
  const days = span === '28' ? 28 : 7;
  const words = `the last ${days} days`;
  return { from: addDays(last, 1 - days), to: last, before: 'In', words, value: String(days), ...rest };
}
