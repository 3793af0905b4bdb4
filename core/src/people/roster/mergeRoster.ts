import { foldName } from '../names';
import type { Enrolment, Guardian, Student } from '../../records/schema';
import type { RosterPerson } from './changes';
import { whoAtSchool, type AtSchool, type Elsewhere } from './atSchool';
import { meetGuardians } from './metGuardians';
import type { RosterRow } from './readRoster';

export const fates = ['new', 'changed', 'same', 'in_doubt', 'left_out'] as const;
export type Fate = (typeof fates)[number];

export const changedFields = [
  'givenName',
  'familyName',
  'called',
  'email',
  'grade',
  'schoolId',
  'guardian',
  'class',
] as const;

export interface FieldChange {
  field: (typeof changedFields)[number];
  before: string;
  after: string;
}

/** A row and what becomes of it; `studentId` is who it is among those already there. */
export interface MergedRow extends Omit<RosterRow, 'fate'> {
  fate: Fate;
  studentId: string | null;
  /** Whom it could be, where that is the doubt. */
  candidates: string[];
  /** Those of `candidates`, or the one it is, who are in colleagues' classes. */
  atSchool: AtSchool[];
  changes: FieldChange[];
}

/** Those already there. */
export interface People {
  students: readonly Student[];
  guardians: readonly Guardian[];
  enrolments: readonly Enrolment[];
  /** Those of the school whom the teacher does not teach. */
  elsewhere?: readonly Elsewhere[];
}

type Match = { student: Student } | { doubt: string; candidates: Student[] } | null;

const nameKey = (person: { givenName: string; familyName: string }) =>
  foldName(`${person.givenName} ${person.familyName}`);

/** By id, then e-mail, then name: never a guess between two, never one with another's address. */
function matchOf(row: RosterRow, students: readonly Student[]): Match {
  const only = (found: Student[], by: string): Match => {
    const [first, second] = found;
    if (!first) return null;
    return second
      ? { doubt: `${found.length} students have this ${by}`, candidates: found }
      : { student: first };
  };
  const byId =
    row.schoolId &&
    only(
      students.filter((s) => s.schoolId === row.schoolId),
      'id',
    );
  if (byId) return byId;
  const address = row.email.toLowerCase();
  const byEmail =
    address &&
    only(
      students.filter((s) => s.email.toLowerCase() === address),
      'e-mail',
    );
  if (byEmail) return byEmail;
  const byName = only(
    students.filter((s) => nameKey(s) === nameKey(row)),
    'name',
  );
  if (byName && 'student' in byName) {
    const { email, schoolId } = byName.student;
    const candidates = [byName.student];
    if (email && row.email) return { doubt: `a student of this name has the address ${email}`, candidates };
    if (schoolId && row.schoolId)
      return { doubt: `a student of this name has the id ${schoolId}`, candidates };
  }
  return byName;
}

const compared = ['givenName', 'familyName', 'called', 'email', 'grade', 'schoolId'] as const;

/**
 * Says the file something else? An empty cell says nothing; nor does a case or an accent that some
 * system lost on the way ("Aydin" for "Aydın"), while one that it brings is news.
 */
function isNews(before: string, after: string): boolean {
  if (after === '' || after === before) return false;
  const lost = foldName(after) === foldName(before) && /^[\p{ASCII}]*$/u.test(after);
  return before === '' || !lost;
}

const worded = (parts: readonly string[]) => parts.filter(Boolean).join(', ');
const joins: FieldChange = { field: 'class', before: '', after: 'joins this class' };

/** What the file says otherwise. */
function changesOf(
  row: Omit<RosterRow, 'fate'>,
  student: Student,
  sectionId: string,
  people: People,
): FieldChange[] {
  const changes: FieldChange[] = compared
    .filter((field) => isNews(student[field], row[field]))
    .map((field) => ({ field, before: student[field], after: row[field] }));
  const { added, changed } = meetGuardians(row, student.id, people.guardians);
  for (const guardian of added)
    changes.push({ field: 'guardian', before: '', after: guardian.name || guardian.email });
  for (const { id, ...news } of changed) {
    const known = people.guardians.find((one) => one.id === id);
    const before = [known?.name ?? '', news.phone === undefined ? '' : (known?.phone ?? '')];
    const after = [known?.name ?? '', ...Object.values(news)];
    changes.push({ field: 'guardian', before: worded(before), after: worded(after) });
  }
  const enrolled = people.enrolments.some(
    (e) => e.studentId === student.id && e.sectionId === sectionId && e.endsOn === null,
  );
  if (!enrolled) changes.push(joins);
  return changes;
}

/** Somebody of the school comes into one class more; what a colleague keeps of them stays as it is. */
const joining = (row: MergedRow, studentId: string): MergedRow => ({
  ...row,
  studentId,
  guardians: [],
  changes: [joins],
});

/** A row of whom nobody is that the teacher teaches. */
function mergeElsewhere(merged: MergedRow, elsewhere: readonly Elsewhere[], taken: Set<string>): MergedRow {
  const { found, sure } = whoAtSchool(merged, elsewhere);
  const left = found.filter(({ id }) => !taken.has(id));
  const [first] = left;
  if (!first) return merged;
  const atSchool = left.map(({ id }) => ({ id, taught: '' }));
  if (sure) {
    taken.add(first.id);
    const fate = merged.fate === 'in_doubt' ? 'in_doubt' : 'changed';
    return { ...joining(merged, first.id), fate, atSchool };
  }
  const reason = 'somebody of this name or address is at the school already';
  const doubts = [...merged.doubts, { column: null, reason, mild: false }];
  return { ...merged, fate: 'in_doubt', doubts, candidates: left.map(({ id }) => id), atSchool };
}

function mergeRow(row: RosterRow, sectionId: string, people: People, taken: Set<string>): MergedRow {
  const merged: MergedRow = { ...row, studentId: null, candidates: [], atSchool: [], changes: [] };
  if (row.fate === 'left_out') return merged;
  const match = matchOf(row, people.students);
  if (!match) return mergeElsewhere(merged, people.elsewhere ?? [], taken);
  if ('doubt' in match) {
    const doubts = [...row.doubts, { column: null, reason: match.doubt, mild: false }];
    return { ...merged, fate: 'in_doubt', doubts, candidates: match.candidates.map(({ id }) => id) };
  }
  if (taken.has(match.student.id)) {
    const reason = 'another row is this student already';
    return { ...merged, fate: 'in_doubt', doubts: [...row.doubts, { column: null, reason, mild: false }] };
  }
  taken.add(match.student.id);
  const changes = changesOf(row, match.student, sectionId, people);
  const fate = row.fate === 'in_doubt' ? 'in_doubt' : changes.length > 0 ? 'changed' : 'same';
  return { ...merged, fate, studentId: match.student.id, changes };
}

/** What becomes of every row of a roster when it meets those who are there already. */
export function mergeRoster(rows: readonly RosterRow[], sectionId: string, people: People): MergedRow[] {
  const taken = new Set<string>();
  return rows.map((row) => mergeRow(row, sectionId, people, taken));
}

/** What the teacher says of a row; `is ID` says which of those there it is. */
export type Decision = 'accept' | 'leave_out' | `is ${string}`;

/** A row as the teacher's word leaves it: where it says who it is, that student's, with what changes. */
export function settledRow(row: MergedRow, decision: Decision, sectionId: string, people: People): MergedRow {
  if (!decision.startsWith('is ')) return row;
  const id = decision.slice(3);
  if (row.atSchool.some((one) => one.id === id)) return joining(row, id);
  const student = people.students.find((one) => one.id === id);
  if (!student) return row;
  return { ...row, studentId: student.id, changes: changesOf(row, student, sectionId, people) };
}

/** What happens to a row if nobody says otherwise: doubts about who it is wait for the teacher. */
export function defaultDecision({ fate, doubts }: Pick<MergedRow, 'fate' | 'doubts'>): Decision {
  if (fate === 'in_doubt') return doubts.every(({ mild }) => mild) ? 'accept' : 'leave_out';
  return fate === 'new' || fate === 'changed' ? 'accept' : 'leave_out';
}

/**
 * The people of a `roster.accept` change.
 * @param accepted rows that the teacher accepts @param from first day in the class; null is from the beginning
 * @param newId gives a fresh id at every call
 */
export function acceptedPeople(
  accepted: readonly MergedRow[],
  people: Pick<People, 'guardians'>,
  from: string | null,
  newId: () => string,
): RosterPerson[] {
  return accepted.map((row) => {
    const { givenName, familyName, called, email, grade, schoolId, studentId } = row;
    const id = studentId ?? newId();
    const fields = { givenName, familyName, called, email, grade, schoolId };
    const changed = Object.fromEntries(
      row.changes.filter(({ field }) => field in fields).map(({ field, after }) => [field, after]),
    );
    const { added, changed: met } = meetGuardians(row, id, people.guardians);
    const joins = studentId === null || row.changes.some(({ field }) => field === 'class');
    return {
      id,
      added: studentId === null ? fields : null,
      changed: studentId === null ? {} : changed,
      guardians: added.map((guardian) => ({ id: newId(), phone: '', ...guardian, relation: '' })),
      guardiansChanged: met,
      enrolment: joins ? { id: newId(), cohort: row.cohort, startsOn: from } : null,
    };
  });
}
