import type { RecordLists } from '../../records/records';
import type { DayOff, Standing, Term } from '../../records/schema';

export interface Receiving {
  /** Its terms. */
  terms: readonly Term[];
  /** The school's kinds of marks. */
  standings: readonly Standing[];
  /** Whether whoever brings it in may set up the school. */
  isKeeper: boolean;
}

const meets = (a: Pick<Term, 'startsOn' | 'endsOn'>, b: Pick<DayOff, 'startsOn' | 'endsOn'>) =>
  a.startsOn <= b.endsOn && b.startsOn <= a.endsOn;

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
 * A class that was handed over, fitted into the school that receives it: its marks become that school's kinds, and the
 * school's terms, days off and name stay as they are. Terms at other times, with their days off, are added where
 * whoever brings it in may do so.
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
  const terms = (records.term ?? []).filter(
    (term) => receiving.isKeeper && !receiving.terms.some((one) => meets(one, term)),
  );
  return {
    ...records,
    term: terms,
    dayOff: (records.dayOff ?? []).filter((day) => terms.some((term) => meets(term, day))),
    standing: added.map((one) => ({ ...one, mergedIntoId: standingOf(one.mergedIntoId) })),
    // Those of a whole school are its keeper's.
    draw: (records.draw ?? []).filter(({ sectionId }) => receiving.isKeeper || sectionId !== null),
    mark: (records.mark ?? []).map((mark) => ({ ...mark, standingId: standingOf(mark.standingId) })),
  };
}
