import type { RecordLists } from '../../records/records';
import type { Standing } from '../../records/schema';

interface Receiving {
  /** The school's kinds of marks. */
  standings: readonly Standing[];
  /** Whether whoever brings it in may set up the school. */
  isKeeper: boolean;
}

const sameMeaning = (a: Standing, b: Standing) => a.countsAs === b.countsAs && a.excused === b.excused;

/** The school's own kind of mark for one that comes along; undefined where it has none like it. */
function ownStanding(brought: Standing, { standings, isKeeper }: Receiving): Standing | undefined {
  const offered = standings.filter(({ removed, mergedIntoId }) => !removed && mergedIntoId === null);
  const alike = offered.filter((one) => sameMeaning(one, brought));
  const same = alike.find(({ code }) => code === brought.code);
  // Who may not add kinds takes what means the same, or nearly.
  return (
    same ??
    (isKeeper ? undefined : (alike[0] ?? offered.find(({ countsAs }) => countsAs === brought.countsAs)))
  );
}

/**
 * A class that was handed over, fitted into the school that receives it: its marks are of that school's kinds, and its
 * terms, days off and name stay as they are.
 * @param records of an archive without a school of its own
 */
export function intoSchool(records: RecordLists, receiving: Receiving): RecordLists {
  const known = new Set(receiving.standings.map(({ id }) => id));
  const own = new Map<string, string>();
  for (const standing of records.standing ?? []) {
    const match = known.has(standing.id) ? undefined : ownStanding(standing, receiving);
    if (match) own.set(standing.id, match.id);
  }
  const added = (records.standing ?? []).filter(
    ({ id }) => !own.has(id) && (receiving.isKeeper || known.has(id)),
  );
  const there = new Set([...known, ...added.map(({ id }) => id)]);
  const standingOf = (id: string | null) => {
    const as = id === null ? null : (own.get(id) ?? id);
    return as !== null && there.has(as) ? as : null;
  };
  return {
    ...records,
    term: [],
    dayOff: [],
    standing: added.map((one) => ({ ...one, mergedIntoId: standingOf(one.mergedIntoId) })),
    mark: (records.mark ?? []).map((mark) => ({ ...mark, standingId: standingOf(mark.standingId) })),
  };
}
