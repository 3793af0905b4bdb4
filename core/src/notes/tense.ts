import type { Word } from './words';

const pastVerbs = new Set(
  'was were had did went came left said told asked forgot got gave took made knew saw ran sat spoke wrote broke brought bought caught fell felt held kept lost met paid rang sent slept sold stood stole swore taught thought threw understood woke won hit hurt hid rode drew didnt wasnt werent hadnt couldnt'.split(
    ' ',
  ),
);
const notPast = new Set(
  'need feed speed red bed seed indeed exceed succeed proceed shed wed sled bleed weed used supposed based excused'.split(
    ' ',
  ),
);
/** How somebody was, in notes without a verb. */
const wasSo = new Set('absent away missing late ill sick asleep quiet'.split(' '));
const aheadWords = new Set(
  'will wont shall going gonna due must should needs need wants want wishes hopes plans plan promises promised agreed agree can deadline retake retakes resit resits retest quiz trip visit exam exams assessment presentation reminder'.split(
    ' ',
  ),
);
/** At the head of a part they say what the teacher is going to do. */
const intentions = new Set(
  'ring call phone email write check ask see chase move talk speak remind give try watch look print praise collect return meet follow review revisit retest test mark hand find get send tell show start bring book arrange speak sit seat pair swap discuss decide recheck'.split(
    ' ',
  ),
);

/** What a date's surroundings say of it. */
export type Tense = 'ahead' | 'past' | 'open';

const sinceWords = new Set(['since', 'last', 'previous', 'past', 'after']);
const untilWords = new Set('by till until til before due next coming this for from'.split(' '));

function isPastVerb({ folded }: Word): boolean {
  return pastVerbs.has(folded) || (/[a-z]{2}ed$/.test(folded) && !notPast.has(folded));
}

/** Is a word a student's name? */
type IsName = (word: Word) => boolean;

/** "to hand in", "to be seen": after "to" something is still to be done. */
function isStillToDo(words: readonly Word[], at: number, isName: IsName): boolean {
  const next = words[at + 1];
  // "spoke to Dario": somebody, and nothing to do.
  if (next && (isName(next) || next.capital)) return false;
  return (
    words[at]?.folded === 'to' &&
    next !== undefined &&
    /^[a-z]+$/.test(next.folded) &&
    !noVerbs.has(next.folded)
  );
}
const noVerbs = new Set(
  'the a an his her my me him them us school class lesson home work it this that task everyone him myself himself herself'.split(
    ' ',
  ),
);

/**
 * Whether what a date belongs to lies ahead or is past, from the words of its sentence.
 * @param words of the sentence @param first the date's first word among them @param isName of a student
 */
export function tenseAt(words: readonly Word[], first: number, isName: IsName): Tense {
  const before = words.slice(0, first);
  const beside = before.slice(-3).map(({ folded }) => folded);
  const near = beside.at(-1) ?? '';
  const second = beside.at(-2) ?? '';
  if (sinceWords.has(near) || (near === 'the' && sinceWords.has(second)))
    return near === 'after' ? 'ahead' : 'past';
  if (untilWords.has(near) || (near === 'the' && untilWords.has(second) && second !== 'from')) {
    if (near !== 'this' && near !== 'from') return 'ahead';
  }
  return tenseOf(partAround(words, first), isName);
}

/** The part of a sentence between commas, "but" and "then" that a word stands in. */
function partAround(words: readonly Word[], at: number): Word[] {
  const splits = (word: Word | undefined) =>
    word !== undefined && (/[,;(]/.test(word.gap) || ['but', 'then', 'so'].includes(word.folded));
  let from = at;
  while (from > 0 && !splits(words[from])) from -= 1;
  let to = at + 1;
  while (to < words.length && !splits(words[to])) to += 1;
  // A date alone after a comma belongs to what stands before it.
  if (from > 0 && to - from <= 3) from = Math.max(0, from - 6);
  return words.slice(from, to);
}

function tenseOf(part: readonly Word[], isName: IsName): Tense {
  const stillToDo = part.some(
    (word, at) => aheadWords.has(word.folded) || /'ll$/.test(word.written) || isStillToDo(part, at, isName),
  );
  const lastPast = part.some(isPastVerb);
  if (stillToDo) return 'ahead';
  if (lastPast) return 'past';
  const [head] = part;
  if (head && intentions.has(head.folded)) return 'ahead';
  const joint = part.findIndex(({ folded }) => folded === 'and');
  if (joint >= 0 && intentions.has(part[joint + 1]?.folded ?? '')) return 'ahead';
  if (part.some(({ folded }) => wasSo.has(folded))) return 'past';
  return 'open';
}
