import { useState } from 'react';
import { termToLookAt } from '@slate-path/core/calendar/sectionTime';
import { listOf } from '@slate-path/core/records/records';
import { choicePhrase, type SentencePart } from '../../parts/Sentence';
import { useNow } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { usualRanges } from '../attendance/totals/ranges';

/** The days whose nods are looked at, the term to begin with, and the phrase by which others are chosen. */
export function useDays(lastDay: string): { from: string; to: string; phrase: SentencePart } {
  const now = useNow();
  const current = useRecords((state) => state.current);
  const [chosen, setChosen] = useState<string | null>(null);
  const terms = listOf(current, 'term').sort((a, b) => (a.startsOn < b.startsOn ? 1 : -1));
  const ranges = usualRanges(now.date, terms);
  const rangeKey = chosen ?? termToLookAt(terms, lastDay)?.id ?? now.date.slice(0, 7);
  const { from, to } = ranges.find(({ key }) => key === rangeKey) ?? { from: now.date, to: now.date };
  const phrase = choicePhrase({
    name: 'choose the days',
    value: rangeKey,
    options: ranges.map(({ key, label }) => ({ value: key, label })),
    onChange: setChosen,
  });
  return { from, to, phrase };
}
