import type { FieldsOf, Standing } from '../../records/schema';

/** The attendance kinds that ship; a teacher may rename and add. */
export const shippedStandings: Omit<FieldsOf<'standing'>, 'mergedIntoId'>[] = [
  { code: 'H', name: 'Here', countsAs: 'here', credit: 1, excused: false, position: 0 },
  { code: 'L', name: 'Late', countsAs: 'late', credit: 1, excused: false, position: 1 },
  { code: 'E', name: 'Left early', countsAs: 'left_early', credit: 1, excused: false, position: 2 },
  { code: 'A', name: 'Away', countsAs: 'away', credit: 0, excused: false, position: 3 },
  { code: 'X', name: 'Away, excused', countsAs: 'away', credit: 0, excused: true, position: 4 },
  { code: 'S', name: 'Set aside', countsAs: 'not_counted', credit: 0, excused: true, position: 5 },
];

/** The teacher's first standing that counts as this, excused or not. */
export function standingFor(
  standings: readonly Standing[],
  countsAs: Standing['countsAs'],
  excused = false,
): Standing | undefined {
  return [...standings]
    .sort((a, b) => a.position - b.position)
    .find((s) => s.countsAs === countsAs && (countsAs === 'not_counted' || s.excused === excused));
}

/**
 * The standing after a time was typed or taken off by hand. An arrival makes whoever was here late, a leaving makes
 * whoever was here gone early; a time that is taken off is unknown from then on, and changes no standing.
 * @param next the time that was changed; null where it was taken off
 */
export function standingByTimes(
  standing: Standing | undefined,
  next: { arrivedAt?: string | null; leftAt?: string | null },
  standings: readonly Standing[],
): Standing | undefined {
  const countsAs = standing?.countsAs ?? 'here';
  if (next.arrivedAt && countsAs !== 'late') return standingFor(standings, 'late');
  if (next.leftAt && countsAs === 'here') return standingFor(standings, 'left_early');
  return standing ?? standingFor(standings, 'here');
}

/**
 * The kind in use that already has this letter or name, whatever their case; a mark in a table must mean one thing.
 * @param id of the kind that is to have it
 */
export function standingWith(
  standings: readonly Standing[],
  id: string,
  field: 'code' | 'name',
  value: string,
): Standing | undefined {
  const folded = (text: string) => text.trim().toLowerCase();
  return standings.find((s) => s.id !== id && !s.removed && folded(s[field]) === folded(value));
}
