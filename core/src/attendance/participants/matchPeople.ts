import { groupBy } from '../../records/groupBy';
import type { Student } from '../../records/schema';
import { knownName, nameWords, type KnownName } from '../../people/knownName';
import { fitRank, hasFamilyName, nameFit, type Fit } from './nameFit';
import { personKey } from './personKey';
import type { Participant } from './readParticipants';

/** A student as a list is matched with. */
export type Known = Pick<Student, 'id' | 'givenName' | 'familyName' | 'called' | 'email' | 'schoolId'>;

export type MatchedBy = 'remembered' | 'email' | 'id' | Exclude<Fit, 'near'>;

export interface Matching {
  /** By student: whose lines of the list are theirs, and what told so. */
  matched: Map<string, { lines: Participant[]; by: MatchedBy }>;
  /** Those nobody is sure of, with whom they could be; strangers have no candidates. */
  unmatched: { lines: Participant[]; candidates: string[] }[];
}

export interface MatchOptions {
  /** Dots before the @ and what follows a + there do not count. */
  looseEmail: boolean;
  /** What was answered before, by `personKey`: a student's id, or null for nobody of the class. */
  remembered: ReadonlyMap<string, string | null>;
}

/** An address as it is compared. */
export function emailKey(email: string, loose: boolean): string {
  const [local = '', domain = ''] = email.toLowerCase().trim().split('@');
  return loose ? `${local.replace(/\+.*/, '').replaceAll('.', '')}@${domain}` : `${local}@${domain}`;
}

type Finding =
  | { kind: 'sure'; studentId: string; by: MatchedBy; rank: number }
  | { kind: 'nobody' }
  | { kind: 'doubt'; candidates: string[] };

/** A class with every name taken apart once. */
type Class = readonly (Known & { name: KnownName })[];

function byFit(students: Class, name: string) {
  const words = nameWords(name);
  return students
    .flatMap((student) => {
      const fit = nameFit(words, student.name);
      return fit ? [{ id: student.id, fit, rank: fitRank(fit) }] : [];
    })
    .sort((a, b) => a.rank - b.rank);
}

/** By the name alone: one who has all of it, or the only one whom it fits at all surely. */
function byName(students: Class, name: string): Finding {
  const found = byFit(students, name);
  const whole = found.filter(({ fit }) => fit === 'name');
  const sure = whole.length > 0 ? whole : found.filter(({ fit }) => fit !== 'near');
  const [only, another] = sure;
  if (!only) {
    const words = nameWords(name);
    const could = found.length > 0 ? found : students.filter((one) => hasFamilyName(words, one.name));
    return { kind: 'doubt', candidates: could.map(({ id }) => id) };
  }
  if (another) return { kind: 'doubt', candidates: sure.map(({ id }) => id) };
  return { kind: 'sure', studentId: only.id, by: only.fit as MatchedBy, rank: only.rank };
}

/** Who says little of the name, and has an address that is nobody's, may well be a stranger. */
function withStrangeAddress(named: Finding, { email, name }: Participant, students: Class): Finding {
  if (named.kind !== 'sure' || email === '') return named;
  const own = students.find(({ id }) => id === named.studentId)?.email ?? '';
  const saysLittle = nameWords(name).length < 2 || !['name', 'part'].includes(named.by);
  return own !== '' && saysLittle ? { kind: 'doubt', candidates: [named.studentId] } : named;
}

function findingOf(lines: readonly Participant[], students: Class, options: MatchOptions): Finding {
  const [first] = lines;
  if (!first) return { kind: 'nobody' };
  const answer = options.remembered.get(personKey(first));
  if (answer === null) return { kind: 'nobody' };
  if (answer !== undefined && students.some(({ id }) => id === answer))
    return { kind: 'sure', studentId: answer, by: 'remembered', rank: -3 };
  const named = first.name ? byName(students, first.name) : null;
  const key = (email: string) => emailKey(email, options.looseEmail);
  const addressed = first.email
    ? students.filter(({ email }) => email !== '' && key(email) === key(first.email))
    : [];
  const numbered = first.schoolId ? students.filter(({ schoolId }) => schoolId === first.schoolId) : [];
  const [told, other] = addressed.length > 0 ? addressed : numbered;
  if (told && !other) {
    // An address lent to somebody else: the name says plainly who it is, and it is not its owner.
    const contradicts =
      named?.kind === 'sure' &&
      named.by === 'name' &&
      named.studentId !== told.id &&
      !nameFit(nameWords(first.name), told.name);
    if (contradicts) return { kind: 'doubt', candidates: [told.id, named.studentId] };
    return {
      kind: 'sure',
      studentId: told.id,
      by: addressed.length > 0 ? 'email' : 'id',
      rank: addressed.length > 0 ? -2 : -1,
    };
  }
  if (told && other) {
    const among = [...addressed, ...numbered].map(({ id }) => id);
    if (named?.kind === 'sure' && among.includes(named.studentId)) return named;
    return { kind: 'doubt', candidates: among };
  }
  if (named) return withStrangeAddress(named, first, students);
  // Only an address, and a strange one: what stands before the @ may be a name, but nobody says so.
  const fromAddress = byName(students, first.email.split('@')[0] ?? '');
  return {
    kind: 'doubt',
    candidates:
      fromAddress.kind === 'sure'
        ? [fromAddress.studentId]
        : fromAddress.kind === 'doubt'
          ? fromAddress.candidates
          : [],
  };
}

/**
 * Whose lines of a list are whose: by what was answered before, e-mail address, school id, then name.
 * Never two people for one student: of several that seem to be the same one, only the surest is, and
 * the others are asked about; never a guess between two equals.
 * @param people of `peopleOf`
 */
export function matchPeople(
  people: readonly Participant[][],
  students: readonly Known[],
  options: MatchOptions,
): Matching {
  const matching: Matching = { matched: new Map(), unmatched: [] };
  const known = students.map((student) => ({ ...student, name: knownName(student) }));
  const found = people.map((lines) => ({ lines, finding: findingOf(lines, known, options) }));
  const claims = groupBy(
    found.flatMap(({ finding }) => (finding.kind === 'sure' ? [finding] : [])),
    ({ studentId }) => studentId,
  );
  for (const { lines, finding } of found) {
    if (finding.kind === 'nobody') continue;
    if (finding.kind === 'doubt') {
      matching.unmatched.push({ lines, candidates: finding.candidates });
      continue;
    }
    const told = finding.by === 'remembered';
    // What the teacher answered stands beside the surest, and takes nothing from it.
    const rivals = (claims.get(finding.studentId) ?? []).filter(
      (claim) => claim !== finding && claim.by !== 'remembered',
    );
    const wins = told || rivals.every(({ rank }) => rank > finding.rank);
    const before = matching.matched.get(finding.studentId);
    if (!wins) matching.unmatched.push({ lines, candidates: [finding.studentId] });
    else if (before) before.lines.push(...lines);
    else matching.matched.set(finding.studentId, { lines: [...lines], by: finding.by });
  }
  return matching;
}
