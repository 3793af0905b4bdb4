import type { TableRow } from '../../formats/table';
import type { DateOrder } from '../../attendance/participants/moment';
import { foldName } from '../../people/names';
import { readSaid, readScore } from './cellWords';
import { workRoleOf, type WorkRole } from './headingRoles';
import { readLocalMoment } from './localMoment';
import { cellsBy, personIn } from './people';
import { inWordsOf, lateAt, pointsOf, type Into } from './readHandIns';
import type { HandInRead, PieceRead } from './reading';
import { titleOf } from './titleOf';

/** Rows above or below the students that are about the pieces of work, or about the class. */
const pointsRow =
  /\b(?:points?|possible|out of|max|maximum|punkte|hochstpunktzahl|bareme|puntos|punti|pontos|punten)\b/;
const classRow =
  /^(?:class |klassen?|overall )?(?:average|avg|mean|median|total|sum|count|minimum|maximum|min|max|durchschnitt|mittelwert|summe|moyenne|promedio|media|gemiddelde|gesamt|totale?|standard deviation)\b/;

const numbersIn = (row: TableRow, columns: readonly number[]) =>
  columns.filter((column) => readScore(row.cells[column] ?? '') !== null).length;

/**
 * A grade book in the wide shape: a row a student, a column a piece of work; a row of the points possible, perhaps of
 * the days on which they are due, averages at the end. @param roles null for the columns of pieces
 */
export function readGradeBook(
  heading: TableRow,
  rows: readonly TableRow[],
  roles: readonly (WorkRole | null)[],
  { zone, order }: { zone: string; order: DateOrder },
  into: Into,
): HandInRead[] {
  const { people, pieces, leftOut, told } = into;
  const columns = heading.cells.flatMap((title, index) =>
    roles[index] === null && title.trim() !== '' ? [index] : [],
  );
  const found = new Map<number, PieceRead>();
  const indexOf = new Map<number, number>();
  for (const column of columns) {
    const { title, points } = titleOf((heading.cells[column] ?? '').trim());
    const index = pieces.add({ title: title.slice(0, 200), assignedAt: null, dueAt: null, points });
    const piece = pieces.list[index];
    if (!piece) continue;
    found.set(column, piece);
    indexOf.set(column, index);
  }
  const students: TableRow[] = [];
  rows.forEach((row, at) => {
    const cell = cellsBy(row, roles);
    const said = foldName(cell('name') || cell('given_name') || cell('family_name') || row.cells[0] || '');
    const isNobody = said === '' || (cell('email') === '' && !/\d{3}/.test(cell('id')));
    if (isNobody && (pointsRow.test(said) || (said === '' && at === 0)) && numbersIn(row, columns) > 0) {
      for (const [column, piece] of found)
        piece.points = readScore(row.cells[column] ?? '')?.score ?? piece.points;
    } else if (isNobody && workRoleOf(said) === 'due') {
      for (const [column, piece] of found) {
        const due = readLocalMoment(row.cells[column] ?? '', { zone, order, endOfDay: true });
        if ('at' in due) piece.dueAt = due.at;
      }
    } else if (isNobody && classRow.test(said))
      leftOut.push({ line: row.line, reason: 'it is about the class' });
    else students.push(row);
  });
  return students.flatMap((row) => {
    const person = personIn(cellsBy(row, roles));
    if (!person) {
      leftOut.push({ line: row.line, reason: 'nobody is named' });
      return [];
    }
    const who = people.add(person, row.line);
    return columns.flatMap((column): HandInRead[] => {
      const written = (row.cells[column] ?? '').trim();
      const piece = found.get(column);
      const index = indexOf.get(column);
      const said = readSaid(written);
      if (!piece || index === undefined || said === 'nothing') return [];
      const read = readScore(written);
      const score = read ? pointsOf(read, piece) : null;
      if (score !== null && piece.points !== null && score > piece.points)
        told.push({
          line: row.line,
          reason: `${piece.title}: ${score} is more than the ${piece.points} points; kept all the same`,
        });
      const inWords =
        !read && said === undefined ? inWordsOf(written, row.line, piece.title, into) : undefined;
      const status = said === 'missing' || said === 'excused' ? said : 'handed_in';
      const handedInAt = said === 'late' ? lateAt(piece.dueAt) : null;
      if (said === 'late' && handedInAt === null)
        told.push({
          line: row.line,
          reason: `${piece.title}: late, but it has no day on which it was due; kept as handed in`,
        });
      const came = { status, handedInAt, handedBackAt: null, score, written: inWords } as const;
      return [{ person: who, piece: index, ...came, line: row.line }];
    });
  });
}
