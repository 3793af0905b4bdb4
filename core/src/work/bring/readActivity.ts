import type { TableRow } from '../../formats/table';
import { readDuration, type DateOrder } from '../../attendance/participants/moment';
import type { WorkRole } from './headingRoles';
import { readLocalMoment } from './localMoment';
import { cellsBy, personIn, type CellOf, type People } from './people';
import type { ActionRead, LineSaid } from './reading';

interface Into {
  people: People;
  leftOut: LineSaid[];
}

const longestText = 200;

function secondsOf(cell: CellOf): number | null {
  const minutes = cell('minutes');
  if (minutes !== '') return readDuration(minutes, 'minutes');
  const seconds = cell('seconds');
  return seconds === '' ? null : readDuration(seconds, 'seconds');
}

/** Rows of which each is something that somebody did. */
export function readActivityRows(
  rows: readonly TableRow[],
  roles: readonly (WorkRole | null)[],
  { zone, order }: { zone: string; order: DateOrder },
  { people, leftOut }: Into,
): ActionRead[] {
  return rows.flatMap((row): ActionRead[] => {
    const cell = cellsBy(row, roles);
    const person = personIn(cell);
    if (!person) {
      leftOut.push({ line: row.line, reason: 'nobody is named' });
      return [];
    }
    const written = cell('when') || [cell('date'), cell('time')].filter(Boolean).join(' ');
    const moment = readLocalMoment(written, { zone, order });
    if ('reason' in moment) {
      leftOut.push({ line: row.line, reason: moment.reason });
      return [];
    }
    const text = (role: WorkRole) => cell(role).slice(0, longestText);
    return [
      {
        person: people.add(person, row.line),
        at: moment.at,
        kind: text('kind'),
        place: text('place'),
        object: text('object') || text('title'),
        seconds: secondsOf(cell),
        ref: null,
        line: row.line,
      },
    ];
  });
}
