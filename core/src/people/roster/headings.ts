import { foldName } from '../names';
import type { ColumnRole } from './columnRoles';
import { headingWords, type HeadingConcept } from './headingWords';

/** Which part of a name written as one stands first. */
export type NameOrder = 'given_first' | 'family_first';

/** What the heading of a column says. */
export interface Heading {
  role: ColumnRole;
  /** It is of somebody who is neither student nor guardian, whatever the cells hold. */
  isOthers: boolean;
  /** Where it heads whole names and says how they are written: "Nom et prénom". */
  order: NameOrder | null;
}

/** Words that say nothing of what a column holds. */
const filler = new Set(
  'the of a de del della do da des du le la les el et y e i und en og och ja and or legal official full current s l d dell in for your main primary contact 1 one first'.split(
    ' ',
  ),
);

/** A heading's words, folded: `StudentFirst_Name` is `student first name`. */
export function headingTokens(title: string): string[] {
  return foldName(title.replace(/(\p{Ll})(\p{Lu})/gu, '$1 $2'))
    .replace(/\be[- ]?mail/g, 'email')
    .replace(/\be[- ]?post(a?)/g, 'epost$1')
    .replace(/([a-z])(\d)/g, '$1 $2')
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
}

/** Does a phrase of two to four words begin here? */
const phraseAt = (tokens: readonly string[], at: number, words: ReadonlySet<string>) =>
  [2, 3, 4].some(
    (length) => at + length <= tokens.length && words.has(tokens.slice(at, at + length).join('_')),
  );

/** Where words of a concept stand among a heading's; phrases are joined by `_`. */
function placesOf(tokens: readonly string[], concept: HeadingConcept): number[] {
  const words = headingWords[concept];
  return tokens.flatMap((token, at) => {
    // "Mors e-mail": the mother's.
    const single = words.has(token) || (token.endsWith('s') && words.has(token.slice(0, -1)));
    return single || phraseAt(tokens, at, words) ? [at] : [];
  });
}

/** "First" and "last" head names only beside "name", or alone: not in "Last login" or "First seen". */
function shortWords(tokens: readonly string[]): 'given' | 'family' | null {
  const others = tokens.filter((token) => token !== 'first' && token !== 'last');
  const harmless = others.every(
    (token) => filler.has(token) || headingWords.student.has(token) || headingWords.name.has(token),
  );
  if (!harmless) return null;
  if (tokens.includes('first')) return 'given';
  return tokens.includes('last') ? 'family' : null;
}

const plain = (role: ColumnRole): Heading => ({ role, order: null, isOthers: false });
const whole = (order: NameOrder): Heading => ({ role: 'name', order, isOthers: false });

function guardianHeading(tokens: readonly string[], has: (concept: HeadingConcept) => boolean): Heading {
  const which = has('second') || has('father') ? 'guardian2' : 'guardian1';
  if (has('email')) return plain(`${which}_email`);
  if (has('phone')) return plain(`${which}_phone`);
  return plain(has('ignored') ? 'ignored' : `${which}_name`);
}

/** What a heading says; null when it says nothing we know. */
export function readHeading(title: string): Heading | null {
  const tokens = headingTokens(title);
  if (tokens.length === 0 || tokens.length > 9) return null;
  const places = (concept: HeadingConcept) => placesOf(tokens, concept);
  const has = (concept: HeadingConcept) => places(concept).length > 0;
  const only = (...concepts: HeadingConcept[]) =>
    tokens.every(
      (token) => filler.has(token) || concepts.some((concept) => headingWords[concept].has(token)),
    );
  if (has('staff')) return { role: 'ignored', order: null, isOthers: true };
  // In Spanish a tutor is a guardian; a form has one at school.
  const isTutor = tokens.some((token) => token.startsWith('tutor'));
  if (isTutor && tokens.some((token) => ['form', 'group', 'class', 'year', 'personal'].includes(token)))
    return { role: 'ignored', order: null, isOthers: true };
  if (has('guardian')) return guardianHeading(tokens, has);
  if (has('phone')) return plain('ignored');
  if (has('email')) return plain('email');
  if (has('called')) return plain('called');
  if (has('prefix')) return plain('family_prefix');
  const short = shortWords(tokens);
  const given = places('given')[0] ?? (short === 'given' ? tokens.indexOf('first') : undefined);
  const family =
    places('family')[0] ?? (tokens.includes('last') && short ? tokens.indexOf('last') : undefined);
  if (given !== undefined && family !== undefined)
    return whole(given < family ? 'given_first' : 'family_first');
  // "Nom et prénom", "Name, Vorname": the word for a name is the family's beside one for the given name.
  const [name] = places('name');
  if (given !== undefined && name !== undefined && Math.abs(given - name) <= 2 && !isPhrase(tokens, 'given'))
    return whole(given < name ? 'given_first' : 'family_first');
  if (family !== undefined && name !== undefined && !isPhrase(tokens, 'family'))
    return whole(family < name ? 'family_first' : 'given_first');
  if (has('full')) return plain('name');
  if (has('ignored')) return plain('ignored');
  if (given !== undefined) return plain('given_name');
  if (family !== undefined) return plain('family_name');
  if (has('id')) return plain('id');
  if (has('grade') && only('grade', 'student')) return plain('grade');
  if (has('cohort') && only('cohort', 'student', 'grade')) return plain('cohort');
  if (name !== undefined) return plain('name');
  if (has('ordinal') && only('ordinal', 'student')) return plain('id');
  return has('student') && only('student') ? plain('name') : null;
}

/** Is the word for a name part of the phrase itself, as in "first name" or "nome de família"? */
function isPhrase(tokens: readonly string[], concept: 'given' | 'family'): boolean {
  const words = headingWords[concept];
  return tokens.some((_, at) => phraseAt(tokens, at, words)) || shortWords(tokens) !== null;
}

/** The role alone. */
export function roleOfHeading(title: string): ColumnRole | null {
  return readHeading(title)?.role ?? null;
}
