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

export const spanChoices = [
  { value: '7', label: 'the last 7 days' },
  { value: '28', label: 'the last 28 days' },
  { value: 'term', label: 'the term' },
  { value: 'dates', label: 'other days' },
];

const longest = 400;

/** The days that the address names: one day, some length of time up to now, the term, or any from and to. */
export function useSpan(sectionId: string): Span & { set: (params: Record<string, string>) => void } {
  const router = useRouter();
  const { span = '7', from, to } = useLocalSearchParams<{ span?: string; from?: string; to?: string }>();
  const last = useLastDay(sectionId);
  const terms = useRecords((state) => state.current.term);
  const set = (params: Record<string, string>) => {
    router.setParams({ span: undefined, from: undefined, to: undefined, ...params });
  };
  const isRange = span === 'dates' && from && to && isDate(from) && isDate(to) && from <= to;
  if (isRange && to <= addDays(from, longest)) {
    const words = from === to ? shortDay(from) : `${dayMonth(from)} to ${dayMonth(to)}`;
    return { from, to, before: from === to ? 'On' : 'From', words, value: 'dates', set };
  }
  if (span === 'term') {
    const term = Object.values(terms).find(
      ({ startsOn, endsOn, removed }) => !removed && startsOn <= last && last <= endsOn,
    );
    if (term) return { from: term.startsOn, to: last, before: 'In', words: 'the term', value: 'term', set };
  }
  const days = span === '28' ? 28 : 7;
  const words = `the last ${days} days`;
  return { from: addDays(last, 1 - days), to: last, before: 'In', words, value: String(days), set };
}
