import { readDelimited, type TableRow } from '../../formats/table';
import { mergeRoster, type MergedRow, type People } from './mergeRoster';
import { readNameList } from './nameList';
import { readRoster } from './readRoster';
import { isSummary } from './tidyName';

/** More than this is no class but a mistake. */
export const mostNumbered = 60;

/** What was typed or pasted as the students of a class. */
export interface Pasted {
  /** Those who come into the class. */
  students: MergedRow[];
  /** Lines that are nobody for certain, with the reason: to be brought with the roster. */
  left: { line: number; text: string; reason: string }[];
}

/** "30": so many students without a name yet; null for anything else. */
function numbered(text: string): number | null {
  const count = /^\d{1,3}$/.test(text.trim()) ? Number(text.trim()) : 0;
  return count >= 1 && count <= mostNumbered ? count : null;
}

function nameless(count: number): string {
  return Array.from({ length: count }, (_, index) => `Student ${index + 1}`).join('\n');
}

/**
 * The students of a class as somebody types or pastes them: a name a line, cells of a table, addresses, or only how many
 * there are (1 to 60), who are then called "Student 1" and so on.
 * @param people those already there: whoever is meant for certain is the same person, and not doubled
 * @source the same reading as that of a roster file (`readRoster`, `mergeRoster`)
 */
export function readPasted(text: string, sectionId: string, people: People): Pasted {
  const count = numbered(text);
  if (count !== null) return { students: nameless(count).split('\n').map(asStudent), left: [] };
  const bare = text.trim();
  if (bare === '') return { students: [], left: [] };
  const rows = (readNameList(text) ?? readDelimited(text)).filter(({ cells }) => cells.some(Boolean));
  const byLine = new Map(rows.map(({ line, cells }) => [line, cells.filter(Boolean).join(', ')]));
  const merged = mergeRoster(readRoster(rows).rows, sectionId, people);
  if (merged.every(({ fate }) => fate === 'left_out') && rows.every(isSign)) {
    const signs = rows.map(({ cells }) => cells.join('')).filter((cell) => !isSummary(cell));
    if (signs.length > 0) return { students: signs.map(asStudent), left: [] };
  }
  const comes = ({ fate, doubts }: MergedRow) =>
    fate !== 'left_out' && (fate !== 'in_doubt' || doubts.every(({ mild }) => mild));
  return {
    students: merged.filter(comes),
    left: merged
      .filter((row) => !comes(row))
      .map(({ line, doubts }) => ({
        line,
        text: byLine.get(line) ?? '',
        reason: doubts[0]?.reason ?? '',
      })),
  };
}

/** "P01", "Kid 7": a sign that stands for somebody, where no name may. Numbers alone are none. */
const isSign = ({ cells }: TableRow) =>
  cells.filter(Boolean).length === 1 && cells.some((cell) => /\p{L}/u.test(cell) && !cell.includes('@'));

function asStudent(givenName: string, index: number): MergedRow {
  return {
    ...{ line: index + 1, fate: 'new', givenName, familyName: '', called: '', email: '' },
    ...{ grade: '', cohort: '', schoolId: '', guardians: [], doubts: [] },
    ...{ studentId: null, candidates: [], atSchool: [], changes: [] },
  };
}
