import { matchPeople, type Known } from '../../attendance/participants/matchPeople';
import type { PersonWritten } from './reading';

/** Who the people of a file are: by their place in its list, and those who are asked about. */
export interface WhoIsWho {
  students: Map<number, string>;
  /** By whom nobody is sure of, with whom they could be; strangers have no candidates. */
  unmatched: { person: number; candidates: string[] }[];
}

/**
 * Matches the people of a file with a class, as those of a participant list are.
 * @param remembered what was answered before, by `personKey`; null is nobody of the class
 */
export function matchWritten(
  people: readonly PersonWritten[],
  students: readonly Known[],
  remembered: ReadonlyMap<string, string | null>,
): WhoIsWho {
  const lines = people.map((person, index) => [{ ...person, line: index, joined: null, left: null }]);
  const { matched, unmatched } = matchPeople(lines, students, { looseEmail: true, remembered });
  const found = new Map<number, string>();
  for (const [studentId, { lines: own }] of matched) for (const { line } of own) found.set(line, studentId);
  return {
    students: found,
    unmatched: unmatched.flatMap(({ lines: own, candidates }) =>
      own.map(({ line }) => ({ person: line, candidates })),
    ),
  };
}
