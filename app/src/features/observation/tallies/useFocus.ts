import { useMemo, useState } from 'react';
import type { Focus, Lesson, LookFor } from '@slate-path/core/records/schema';
import { listedFirst, lookForsOf, offeredTo } from '@slate-path/core/observation/tallies/lookFors';
import { useRecords } from '../../../sync/useRecords';
import { beginTallying } from './tallying';

const keptKey = (sectionId: string) => `slate-focus-${sectionId}`;

export interface OfferedFocus {
  focuses: Focus[];
  /** The one in use in the lesson; undefined where the teacher has none at all. */
  focus: Focus | undefined;
  /** Its look-fors. */
  lookFors: LookFor[];
  /** Everything offered to the class. */
  all: LookFor[];
  /** Uses another set from here on; what was counted stays. */
  choose: (focusId: string) => void;
}

/** The sets and look-fors of a lesson's class, and the set in use: the lesson's own, else the last, else the first. */
export function useFocus(lesson: Lesson): OfferedFocus {
  const { id, sectionId } = lesson;
  const [kept, setKept] = useState(() => localStorage.getItem(keptKey(sectionId)));
  const records = useRecords((state) => state.current.focus);
  const known = useRecords((state) => state.current.lookFor);
  const inUse = useRecords((state) => state.current.tallying[id]?.focusId ?? null);
  const choose = (focusId: string) => {
    localStorage.setItem(keptKey(sectionId), focusId);
    setKept(focusId);
    const on = useRecords.getState().current.tallying[id];
    if (on && !on.removed && on.offAt === null) beginTallying(lesson, focusId);
  };
  const offered = useMemo(() => {
    const focuses = offeredTo(Object.values(records), sectionId).sort((a, b) => a.name.localeCompare(b.name));
    const wanted = inUse ?? kept;
    const focus = focuses.find((one) => one.id === wanted) ?? focuses[0];
    const all = offeredTo(Object.values(known), sectionId).sort(listedFirst);
    return { focuses, focus, lookFors: lookForsOf(focus, known), all };
  }, [records, known, inUse, kept, sectionId]);
  return { ...offered, choose };
}
