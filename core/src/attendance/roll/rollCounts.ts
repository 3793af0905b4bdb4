import type { Presence } from './presence';

/** How the students of one roll stand. Whoever is there, or away, or set aside: each is one of the three. */
export interface RollCounts {
  students: number;
  /** For all of it or for a part; who was late or left early is one of them. */
  there: number;
  away: number;
  excused: number;
  setAside: number;
  late: number;
  leftEarly: number;
}

type Counted = Pick<Presence, 'away' | 'excused' | 'late' | 'leftEarly' | 'setAside'>;

/** Counts a roll. @param presences one for each student */
export function rollCounts(presences: readonly Counted[]): RollCounts {
  const many = (is: (presence: Counted) => boolean) => presences.filter(is).length;
  const away = many((p) => p.away);
  const setAside = many((p) => p.setAside);
  return {
    students: presences.length,
    there: presences.length - away - setAside,
    away,
    excused: many((p) => p.away && p.excused),
    setAside,
    late: many((p) => p.late),
    leftEarly: many((p) => p.leftEarly),
  };
}

/** In words whose numbers add up: "27 of 30 there, 2 of them late, 1 left early". */
export function rollCountWords({ students, there, setAside, late, leftEarly }: RollCounts): string {
  const of = (count: number, words: string) => (count === 0 ? '' : `${count} ${words}`);
  const first = late > 0 ? `${late} of them late` : of(leftEarly, 'of them left early');
  return [
    `${there} of ${students} there`,
    first,
    late > 0 ? of(leftEarly, 'left early') : '',
    of(setAside, 'set aside'),
  ]
    .filter(Boolean)
    .join(', ');
}
