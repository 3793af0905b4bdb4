import { listed } from '../words/listed';
import { many } from '../words/many';
import { percentOf } from '../words/percent';
import type { Phrase, Sentence } from '../words/sentence';
import type { Lately } from './signals/lately';

/** What a phrase of a class's sentence opens. */
export type ClassPhrase =
  | { kind: 'attendance' | 'needs' | 'not_heard' | 'work' | 'untaken' | 'lesson' }
  | { kind: 'student'; studentId: string };

export interface ClassToSay {
  /** Of everybody who is in the class now. */
  lately: readonly Lately[];
  /** Who has a concern that is open, the strongest first. */
  needs: readonly { studentId: string; name: string }[];
  /** Lessons of the last four weeks whose roll nobody took. */
  untaken: number;
  /** When the next lesson is, as "today 10:40", or "now"; empty where it is said elsewhere, or there is none. */
  next: string;
}

/** So many are named; of more the first ones, and how many others. */
const mostNamed = 3;

const sumOf = (lately: readonly Lately[], of: keyof Lately) => lately.reduce((sum, one) => sum + one[of], 0);

function needsClause(needs: ClassToSay['needs']): Sentence<ClassPhrase> {
  if (needs.length === 0) return ['nobody needs you'];
  const named = needs.length > mostNamed ? needs.slice(0, mostNamed - 1) : needs;
  const others = needs.length - named.length;
  const phrases: Phrase<ClassPhrase>[] = [
    ...named.map(({ studentId, name }) => ({ words: name, to: { kind: 'student' as const, studentId } })),
    ...(others > 0 ? [{ words: many(others, 'other'), to: { kind: 'needs' as const } }] : []),
  ];
  return [...joined(phrases), needs.length === 1 ? ' needs you' : ' need you'];
}

/** Phrases with the commas and the "and" of a list. */
function joined(phrases: readonly Phrase<ClassPhrase>[]): Sentence<ClassPhrase> {
  // One mark for each phrase: what stands between them is what the list of marks has between them.
  const between = listed(phrases.map(() => '\u0000')).split('\u0000');
  return phrases.flatMap((phrase, index) => [
    phrase,
    ...(index < phrases.length - 1 ? [between[index + 1] ?? ''] : []),
  ]);
}

/**
 * How a class has been doing in the last four weeks, in words: who was there, who needs the teacher, who was
 * not heard, whether work came in, what was not taken. What was never looked at is left out.
 */
export function classSentence({ lately, needs, untaken, next }: ClassToSay): Sentence<ClassPhrase> {
  const taken = sumOf(lately, 'taken');
  const lesson: Sentence<ClassPhrase> =
    next === ''
      ? []
      : [
          next === 'now' ? ' The lesson is on ' : ' Next lesson ',
          { words: next, to: { kind: 'lesson' } },
          '.',
        ];
  if (taken === 0 && untaken === 0) return ['No lesson was held in the last four weeks.', ...lesson];
  const there: Sentence<ClassPhrase> =
    taken === 0
      ? ['No roll was taken in the last four weeks. ']
      : [
          'In the last four weeks ',
          { words: percentOf(taken - sumOf(lately, 'missed'), taken), to: { kind: 'attendance' } },
          ' were there. ',
        ];
  const quiet = lately.filter(({ observed, heard }) => observed > 0 && heard === 0).length;
  const due = sumOf(lately, 'due');
  const clauses: Sentence<ClassPhrase>[] = [needsClause(needs)];
  if (quiet > 0)
    clauses.push([
      { words: String(quiet), to: { kind: 'not_heard' } },
      quiet === 1 ? ' was not heard' : ' were not heard',
    ]);
  if (due > 0)
    clauses.push([
      { words: percentOf(sumOf(lately, 'onTime'), due), to: { kind: 'work' } },
      ' of work came on time',
    ]);
  if (untaken > 0)
    clauses.push([
      { words: many(untaken, 'lesson'), to: { kind: 'untaken' } },
      untaken === 1 ? ' was not taken' : ' were not taken',
    ]);
  const said = clauses.flatMap((clause, index) => (index === 0 ? clause : ['; ', ...clause]));
  const [first] = said;
  return [
    ...there,
    ...(typeof first === 'string'
      ? [first.charAt(0).toUpperCase() + first.slice(1), ...said.slice(1)]
      : said),
    '.',
    ...lesson,
  ];
}
