import distance from 'damerau-levenshtein';
import { isEnglishWord } from './englishWords';
import { stem } from './stems';
import { wordsOf, type Word } from './words';

/** A topic as notes are read for; what it was merged from and is called besides is among its names. */
export interface TopicNames {
  id: string;
  names: readonly string[];
}

/** A place in a text that touches a topic. */
export interface Touch {
  from: number;
  to: number;
  topicId: string;
}

interface Pattern {
  topicId: string;
  /** Words as they are written, for slips of the keys. */
  words: readonly string[];
  stems: readonly string[];
  /** All in one: "offtask" for "off task". */
  joined: string;
}

/** A list of topics made ready for reading: made once, used at every key. */
export interface TopicIndex {
  patterns: readonly Pattern[];
}

const fillers = new Set(
  'the a an his her their my your our its of in on with to at for some any it'.split(' '),
);

function patternOf(topicId: string, name: string): Pattern | null {
  const words = wordsOf(name).map(({ bare }) => bare);
  const telling = words.filter((word) => !fillers.has(word));
  const kept = telling.length > 0 ? telling : words;
  if (kept.length === 0) return null;
  return { topicId, words: kept, stems: kept.map(stem), joined: stem(kept.join('')) };
}

/** Makes a list of topics ready. */
export function topicIndex(topics: readonly TopicNames[]): TopicIndex {
  return {
    patterns: topics.flatMap(({ id, names }) => names.flatMap((name) => patternOf(id, name) ?? [])),
  };
}

const shortestSlip = 6;

/** A long word with one slip of the keys that is no other word. */
function isSlip(written: string, known: string): boolean {
  if (known.length < shortestSlip || written.length < shortestSlip || written[0] !== known[0]) return false;
  if (Math.abs(written.length - known.length) > 3 || isEnglishWord(written)) return false;
  return (
    distance(written, known).steps === 1 ||
    (known.length >= 7 && distance(stem(written), stem(known)).steps === 1)
  );
}

const isForm = (word: Word, pattern: Pattern, at: number) =>
  stem(word.bare) === pattern.stems[at] || isSlip(word.bare, pattern.words[at] ?? '');

/** Words of the topic in their order, with a few small ones between; the place after the last, or null. */
function inOrder(
  words: readonly Word[],
  at: number,
  pattern: Pattern,
  isName: (word: Word) => boolean,
): number | null {
  let next = at;
  for (let part = 0; part < pattern.stems.length; part += 1) {
    let skipped = 0;
    for (;;) {
      const between = words[next];
      if (part === 0 || skipped === 3 || !between || !(fillers.has(between.bare) || isName(between))) break;
      next += 1;
      skipped += 1;
    }
    const word = words[next];
    if (!word || word.sentence !== words[at]?.sentence || !isForm(word, pattern, part)) return null;
    next += 1;
  }
  return next;
}

/** "use of phones" for "phone use": two words the other way round, with a small one between. */
function turned(words: readonly Word[], at: number, pattern: Pattern): number | null {
  if (pattern.stems.length !== 2) return null;
  const [first, filler, last] = [words[at], words[at + 1], words[at + 2]];
  if (!first || !filler || !fillers.has(filler.bare) || first.sentence !== words[at + 2]?.sentence)
    return null;
  if (!isForm(first, pattern, 1)) return null;
  if (last && isForm(last, pattern, 0)) return at + 3;
  const later = words[at + 3];
  return last && fillers.has(last.bare) && later && isForm(later, pattern, 0) ? at + 4 : null;
}

/** Written in one word, or in two what the topic has in one: "offtask", "home work". */
function joinedUp(words: readonly Word[], at: number, pattern: Pattern): number | null {
  const [word, next] = [words[at], words[at + 1]];
  if (!word) return null;
  if (pattern.stems.length > 1 && stem(word.bare) === pattern.joined) return at + 1;
  const beside = next && /^\s$|^-$/.test(next.gap);
  return pattern.stems.length === 1 &&
    beside &&
    word.bare.length > 1 &&
    stem(word.bare + next.bare) === pattern.joined
    ? at + 2
    : null;
}

const denials = new Set(
  'not never without no nobody none zero neither nor isnt wasnt arent werent hasnt havent hadnt doesnt dont didnt wont cant cannot aint hardly nothing'.split(
    ' ',
  ),
);
const throughWhich = new Set(
  'at all really very so too much any been being be even ever once longer more sign signs of a an the hint trace single yet getting got get feeling in quite time today this week he she they was is were or'.split(
    ' ',
  ),
);
/** What one should have or do: "no homework" speaks of homework, while "no phone" speaks of none. */
const due = new Set(
  'homework work slip form kit gear book pencil pen equipment note log answer effort progress draft signature permission oilskin boot apron glove folder'
    .split(' ')
    .map(stem),
);

/** Is what begins at a word denied: "not off task", "no sign of splicing trouble"? */
function isDenied(words: readonly Word[], at: number, pattern: Pattern): boolean {
  const { sentence } = words[at] ?? { sentence: -1 };
  for (let before = at - 1; before >= Math.max(0, at - 5); before -= 1) {
    const word = words[before];
    if (!word || word.sentence !== sentence || /[,;:()]/.test(words[before + 1]?.gap ?? '')) return false;
    if (denials.has(word.folded)) return isDenial(words, before, pattern);
    if (!throughWhich.has(word.folded)) return false;
  }
  return false;
}

function isDenial(words: readonly Word[], at: number, pattern: Pattern): boolean {
  const word = words[at]?.folded ?? '';
  const next = words[at + 1]?.folded ?? '';
  // "not only late", "not just tired": it is that, and more.
  if (['only', 'just', 'merely', 'simply'].includes(next)) return false;
  const lacks = ['no', 'without', 'zero', 'nothing'].includes(word);
  if (lacks && !['longer', 'more', 'sign', 'signs', 'hint'].includes(next))
    return !pattern.stems.some((part) => due.has(part));
  return true;
}

/**
 * The topics that a text touches, each at its first place first: by any form of their words ("off-task",
 * "was off task again"), in one word or two, with a slip of the keys in long ones; not where it is denied
 * ("not off task").
 * @param taken places that are names of students
 */
export function findTopics(
  words: readonly Word[],
  { patterns }: TopicIndex,
  taken: readonly { from: number; to: number }[] = [],
): Touch[] {
  const free = (word: Word) => !taken.some(({ from, to }) => word.from < to && from < word.to);
  const touches: Touch[] = [];
  for (let at = 0; at < words.length; at += 1) {
    for (const pattern of patterns) {
      const word = words[at];
      if (!word || fillers.has(word.bare)) continue;
      const end =
        inOrder(words, at, pattern, (word) => !free(word)) ??
        joinedUp(words, at, pattern) ??
        turned(words, at, pattern);
      const last = end === null ? undefined : words[end - 1];
      if (!last || !free(word) || !free(last)) continue;
      if (!isDenied(words, at, pattern))
        touches.push({ from: word.from, to: last.bareTo, topicId: pattern.topicId });
    }
  }
  return withoutParts(touches);
}

/** Where a topic's words are part of a longer one's ("work" in "group work"), the longer one is meant. */
function withoutParts(touches: readonly Touch[]): Touch[] {
  return touches.filter(
    (touch) =>
      !touches.some(
        (other) =>
          other.from <= touch.from && touch.to <= other.to && other.to - other.from > touch.to - touch.from,
      ),
  );
}
