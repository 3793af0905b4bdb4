import { addressOf } from '@slate-path/core/api/address';
import { listOf } from '@slate-path/core/records/records';
import { useNow } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';

/** Asks for the marks of the term: those of days that are counted anew must be here. */
export function useMarksOfTerm(): void {
  const { date } = useNow();
  const current = useRecords((state) => state.current);
  const terms = listOf(current, 'term').sort((a, b) => (a.startsOn < b.startsOn ? 1 : -1));
  const term = terms.find(({ startsOn }) => startsOn <= date) ?? terms[0];
  useView(addressOf('lessons', { from: term?.startsOn ?? date, to: term?.endsOn ?? date }));
}
