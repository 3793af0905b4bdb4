import { useMemo } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import type { Quiet, Step } from '@slate-path/core/records/schema';
import { isQuiet, quietId } from '@slate-path/core/watch/signals/quiet';
import type { WatchItem } from '@slate-path/core/watch/signals/watchClass';
import type { SectionWatch } from '@slate-path/core/watch/signals/watchReading';
import { useNow } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { useView, type ViewState } from '../../sync/views';

/** What is done on these pages is taken back here. */
export const watchAbout = 'watch';

/** A concern as the page shows it: with what keeps it quiet, and what was done. */
export interface Shown {
  item: WatchItem;
  quiet: Quiet | null;
  steps: Step[];
}

export interface Watch {
  state: ViewState;
  sections: readonly SectionWatch[];
  /** Concerns, strongest first, those put aside too. */
  concerns: readonly Shown[];
  overLine: readonly WatchItem[];
}

const none: readonly SectionWatch[] = [];

/** The watch list with what this device knows of steps and of what was put aside. */
export function useWatch(): Watch {
  const { state, answer } = useView(addressOf('watch'));
  const { date } = useNow();
  const quiets = useRecords((records) => records.current.quiet);
  const steps = useRecords((records) => records.current.step);
  const students = useRecords((records) => records.current.student);
  const sections = answer?.sections ?? none;
  return useMemo(() => {
    const taken = Object.values(steps)
      .filter(({ removed }) => !removed)
      .sort((a, b) => (a.at < b.at ? 1 : -1));
    const items = sections
      .flatMap((section) => section.items)
      .filter(({ studentId }) => students[studentId] && !students[studentId].removed)
      .sort((a, b) => b.strength - a.strength);
    const concerns = items
      .filter(({ concern }) => concern !== 'over_a_line')
      .map((item) => {
        const quiet = quiets[quietId(item.sectionId, item.studentId, item.concern)];
        return {
          item,
          quiet: quiet && isQuiet(item, quiet, date) ? quiet : null,
          steps: taken.filter(
            (step) =>
              step.studentId === item.studentId &&
              (step.sectionId === null || step.sectionId === item.sectionId) &&
              (step.concern === null || step.concern === item.concern),
          ),
        };
      });
    return { state, sections, concerns, overLine: items.filter(({ concern }) => concern === 'over_a_line') };
  }, [state, sections, quiets, steps, students, date]);
}

/** How sure and how strong, as words; never as a number of a child. */
export function strengthWords(strength: number): string {
  if (strength >= 0.8) return 'very clear';
  return strength >= 0.65 ? 'clear' : 'first signs';
}
