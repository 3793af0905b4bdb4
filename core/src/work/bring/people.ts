import type { TableRow } from '../../formats/table';
import { personKey } from '../../attendance/participants/personKey';
import type { WorkRole } from './headingRoles';
import type { PersonWritten } from './reading';

const mostLines = 5;

/** People of a file, each once however often they stand there. */
export class People {
  readonly list: PersonWritten[] = [];
  private readonly byKey = new Map<string, number>();

  /** @returns the index of somebody, who is added where they are new */
  add(person: Omit<PersonWritten, 'lines' | 'written'>, line: number): number {
    const key = personKey(person);
    const known = this.byKey.get(key);
    if (known !== undefined) {
      const lines = this.list[known]?.lines;
      if (lines && lines.length < mostLines) lines.push(line);
      return known;
    }
    this.byKey.set(key, this.list.length);
    this.list.push({ ...person, written: person.name || person.email || person.schoolId, lines: [line] });
    return this.list.length - 1;
  }
}

/** Cells of a row by what their columns hold. */
export type CellOf = (role: WorkRole) => string;

/** Who a row is about; null where nobody stands in it. */
export function personIn(cell: CellOf): Omit<PersonWritten, 'lines' | 'written'> | null {
  // Beside a column of one half, "Nom" or "Nome" heads the other.
  const [given, family, rest] = [cell('given_name'), cell('family_name'), cell('name')];
  const halves = [given || (family && rest), family || (given && rest)].filter(Boolean);
  const name = halves.length > 0 ? halves.join(' ') : rest;
  // An address in the column of names is an address.
  const [own, address] = [name.includes('@') ? '' : name, name.includes('@') ? name : ''];
  const person = { name: own, email: (cell('email') || address).toLowerCase(), schoolId: cell('id') };
  return person.name || person.email || person.schoolId ? person : null;
}

/** @param roles of the columns; the first column of a role counts */
export function cellsBy(row: TableRow, roles: readonly (WorkRole | null)[]): CellOf {
  return (role) => (row.cells[roles.indexOf(role)] ?? '').trim();
}
