import { useMemo } from 'react';
import type { Step } from '@slate-path/core/records/schema';
import { useNow } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';

/** Steps with a day to look again that nobody has settled: those whose day has come, and those ahead. */
export function useStepsAgain(): { due: Step[]; later: Step[] } {
  const { date } = useNow();
  const steps = useRecords((state) => state.current.step);
  return useMemo(() => {
    const open = Object.values(steps)
      .filter(({ removed, lookAgainOn }) => !removed && lookAgainOn !== null)
      .sort((a, b) => ((a.lookAgainOn ?? '') < (b.lookAgainOn ?? '') ? -1 : 1));
    const isDue = ({ lookAgainOn }: Step) => (lookAgainOn ?? '') <= date;
    return { due: open.filter(isDue), later: open.filter((step) => !isDue(step)) };
  }, [steps, date]);
}
