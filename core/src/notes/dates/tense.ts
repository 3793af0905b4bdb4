import { isDenied } from './denied';
import { isReport, reported, reporting } from './reported';
import {
  pastVerbs,
  notPast,
  wasSo,
  aheadWords,
  aheadThings,
  intentions,
  participles,
  toldOf,
  shouldHaveBeen,
  hadDone,
  countBefore,
  countNow,
  isPlanned,
  awayThen,
  partOfDay,
} from './tenseWords';
import type { Word } from '../words';

/** What a date's surroundings say of it. */
export type Tense = 'ahead' | 'past' | 'open';

const sinceWords = new Set(['since', 'last', 'previous', 'past', 'after', 'than', 'like']);
const untilWords = new Set('by till until til before due next coming this for from'.split(' '));

function isPastVerb({ folded }: Word): boolean {
  return pastVerbs.has(folded) || (/[a-z]{2}ed$/.test(folded) && !notPast.has(folded));
}

/** "I am told", "is moved to Tuesday": what follows is not over. */
const isNow = new Set(['am', 'is', 'are', 'be', 'gets', 'get', 'being']);
/** "He would be late on Tuesday, and he was." */
const asItWas = /\band (?:he|she|they|it) (?:was|were|did|had|wasn['’]?t|didn['’]?t)$|\bwhat an? [a-z]+$/;
/** The last of a row, a count or a praise right before a day: "8 tucks in 3 min on Fri", "good on Tues". */
const resultBefore =
  /\b\d+ (?:stars?|points?|nods?|merits?|warnings?|lates?)(?: on)?$|\d (?:of|out of) \d+(?: on| in)?$|\b\d+ \w+ in \d+ (?:min\w*|lessons)(?: on)?$|\b(?:temp|pulse|score|avg|average|mark|total) (?:was )?\d+(?:\.\d+)?(?: on)?$|\blast (?:one|time)(?: was)?(?: on)?(?: the)?$|(?<!\b(?:is|are|be) (?:very |v )?)\b(?:good|great|brilliant|lovely|awful|superb|excellent|fantastic|rude|loud|noisy|calm|upset)(?: on)?$/;
const scoreBefore = /(\d+)\/(\d+)(?: on| in)?$/;

/** Does a result end right before a day: "3/5 on Monday"? */
function isResult(said: string): boolean {
  const [, got, most] = scoreBefore.exec(said) ?? [];
  return resultBefore.test(said) || (got !== undefined && Number(got) <= Number(most));
}

/** Is a word a student's name? */
type IsName = (word: Word) => boolean;

/** "to hand in", "to be seen": after "to" something is still to be done. */
function isStillToDo(words: readonly Word[], at: number, isName: IsName): boolean {
  const next = words[at + 1];
  // "spoke to Dario": somebody, and nothing to do.
  if (next && (isName(next) || next.capital)) return false;
  if (toldOf.has(words[at - 1]?.folded ?? '') || wasThere(words.slice(0, at))) return false;
  return (
    words[at]?.folded === 'to' &&
    next !== undefined &&
    /^[a-z]+$/.test(next.folded) &&
    !noVerbs.has(next.folded) &&
    !/day$|^(?:mon|tues?|weds?|thurs?|fri)$/.test(next.folded)
  );
}
/** "It was kind of Jordan to stay": over, unless somebody was told to. */
function wasThere(before: readonly Word[]): boolean {
  return (
    before.some(({ folded }) => /^(?:was|were|wasnt|werent|did|didnt)$/.test(folded)) &&
    !before.some(({ folded }) => /^(?:told|asked|agreed|reminded|decided|arranged|promised)$/.test(folded))
  );
}

const noVerbs = new Set(
  'the a an his her my me him them us school class lesson home work it this that task everyone him myself himself herself'.split(
    ' ',
  ),
);

/**
 * Whether what a date belongs to lies ahead, is past or is denied, from the words of its sentence.
 * @param words of the sentence @param first the date's first word among them @param isName of a student
 * @param to where the date ends in the text
 */
export function tenseAt(words: readonly Word[], first: number, isName: IsName, to: number): Tense | 'denied' {
  const around = reported(partAround(words, first), first < 0 ? undefined : words[first]);
  // The day itself is no verb.
  const part = around.filter((word) => word !== words[first] || word.folded !== 'sat');
  const said = asSaid(part.filter((word) => word.from < (words[first]?.from ?? 0)));
  const follows = part.filter((word) => word.from >= to);
  const beside = besideDate(words, first);
  // "no need to come before Friday" has a Friday to look at.
  const bounded = beside === 'ahead' && !/\b(?:for|this|coming|next)(?: the)?$/.test(said);
  if (
    /^after\b/.test(said.split(' ').at(-1) ?? '') &&
    !isReport(follows) &&
    pastOnly(tenseOf(follows, isName)) === 'past'
  )
    return 'past';
  if ((!bounded || /\bnothing (?:is |was )?due$/.test(said)) && isDenied(said, ` ${asSaid(follows)}`))
    return 'denied';
  if (beside === 'ahead' && cameBehind.test(nextPart(words, part))) return 'past';
  if (beside !== 'open') return shouldHaveBeen.test(said) && !/\buntil$/.test(said) ? 'past' : beside;
  const how = follows.length === 0 ? nextPart(words, part) : asSaid(follows);
  const going = outcomes.has(how) && (follows.length > 0 || part.length <= 4);
  if (isResult(said) || (going && !part.some(({ folded }) => aheadWords.has(folded)))) return 'past';
  if (hadDone.test(said) || (countBefore.test(said) && countNow.test(nextPart(words, part)))) return 'past';
  if (isPlanned.test(said)) return 'ahead';
  if (awayThen.test(said) && partOfDay.test(asSaid(follows))) return 'ahead';
  if (/\b(?:moved|postponed|shifted|changed|pushed|put|put off|put back)\b.*\bto(?: the)?$/.test(said))
    return 'ahead';
  if (/\b(?:we|they)(?:['’]ve| have)? (?:settled|fixed) (?:on|for)(?: the)?$/.test(said)) return 'ahead';
  const predicate = follows[0];
  if (predicate && predicate.folded !== 'left' && !arranged.has(predicate.folded) && isPastVerb(predicate))
    return 'past';
  if (/^(?:vs|versus|against|compared)$/.test(predicate?.folded ?? '')) return 'past';
  const tense = tenseOf(part, isName);
  if (tense !== 'open') return tense;
  if (part.some(({ folded }) => yes.has(folded))) return 'ahead';
  return part.length <= 7 ? besidePart(words, part, isName) : 'open';
}

/** "Due Monday, got it already": what was due has come. */
const cameBehind =
  /^(?:got it|got them|in already|already|done|received|all in|has (?:it|come)|came|handed in|none since|nothing since)\b/;

function nextPart(words: readonly Word[], part: readonly Word[]): string {
  const next = words.indexOf(part.at(-1) as Word) + 1;
  return next > 0 && next < words.length ? asSaid(words.slice(next)) : '';
}

/** A part that is little more than the day is as the one behind or before: "Twice, on Monday, she left." */
function besidePart(words: readonly Word[], part: readonly Word[], isName: IsName): Tense {
  const next = words.indexOf(part.at(-1) as Word) + 1;
  const follows = next < words.length ? partAround(words, next) : [];
  const behind = isReport(follows) ? 'open' : pastOnly(tenseOf(follows, isName));
  const goesOn = /^(?:and|or|again|\d+)$/.test(part[0]?.folded ?? '') && part.length <= 7;
  const first = words.indexOf(part[0] as Word);
  return behind === 'open' && goesOn && first > 0 ? pastOnly(tenseOf(words.slice(0, first), isName)) : behind;
}

const pastOnly = (tense: Tense): Tense => (tense === 'past' ? 'past' : 'open');
/** How something went, alone behind its day: "seat change Wed ok". */
const outcomes = new Set(
  'ok okay fine proud happy upset calm tired sad angry cross good better great well bad quiet done'.split(
    ' ',
  ),
);

/** "Yes, Monday": agreed on, whatever is told after it. */
const yes = new Set(['yes', 'yep', 'sure', 'agreed', 'maybe', 'perhaps']);

const asSaid = (words: readonly Word[]) =>
  words
    .map(({ written, gap }) => `${gap === '/' ? '/' : ' '}${written.toLowerCase().replace(/[’ʼ]/g, "'")}`)
    .join('')
    .trim();

/** What the words right before the date say: "since Monday", "by Friday". */
function besideDate(words: readonly Word[], first: number): Tense {
  const beside = words.slice(0, first).map(({ folded }) => folded);
  const near = beside.at(-1) ?? '';
  const second = beside.at(-2) ?? '';
  if (sinceWords.has(near) || (near === 'the' && sinceWords.has(second)))
    return near === 'after' ? 'ahead' : 'past';
  // "No more chances after this Friday".
  if (near === 'this' && second === 'after') return 'ahead';
  if (near === 'of' && second === 'as') return 'ahead';
  if (near === 'for' && (wasWorkedOn(beside) || wasKept(beside) || isThanked.test(beside.join(' '))))
    return 'past';
  if (untilWords.has(near) || (near === 'the' && untilWords.has(second) && second !== 'from')) {
    if (near !== 'this' && near !== 'from') return 'ahead';
  }
  return wasDoneOn(words.slice(0, first)) ? 'past' : 'open';
}

/** "Nobody did the reading for Monday": the work for a day, and whether it was done. */
function wasWorkedOn(before: readonly string[]): boolean {
  return (
    before.some((word) => /^(?:did|done|made|didnt|brought|forgot|forgotten)$/.test(word)) &&
    before.some((word) =>
      /^(?:work|homework|reading|task|tasks|questions|exercises|preparation)$/.test(word),
    ) &&
    !before.some((word) => aheadWords.has(word) || word === 'gets' || word === 'be')
  );
}

/** "Well done for Wednesday". */
const isThanked = /\b(?:well done|thanks|thank \S+|sorry|praised?(?: \S+)?) for$/;

/** "The log was signed for Tuesday": a list that was kept from day to day. */
const wasKept = (before: readonly string[]) =>
  /\b(?:was|were|wasnt|werent) (?:not |only |all )?(?:signed|ticked|initialled|stamped|filled|completed|empty|blank)(?: in| out)? for$/.test(
    before.join(' '),
  );

/** What is settled for a day yet to come: "agreed on Monday". */
const arranged = new Set(
  'agreed promised planned arranged booked moved put set needed wanted scheduled expected invited postponed'.split(
    ' ',
  ),
);

/** Does what stands before a day end with what was done on it: "rang", "have decided on", "told me on"? */
function wasDoneOn(before: readonly Word[]): boolean {
  const words = before.at(-1)?.folded === 'on' ? before.slice(0, -1) : before;
  const told =
    reporting.has(words.at(-2)?.folded ?? '') && /^(?:me|us|him|her|them)$/.test(words.at(-1)?.folded ?? '');
  const verb = told ? words.at(-2) : words.at(-1);
  if (verb === undefined || /[,;]/.test(told ? '' : (before.at(-1)?.gap ?? ''))) return false;
  const helper = words[words.indexOf(verb) - 1]?.folded ?? '';
  return isPastVerb(verb) && !arranged.has(verb.folded) && !isNow.has(helper);
}

/** The part of a sentence between commas, "but" and "then" that a word stands in. */
function partAround(words: readonly Word[], at: number): Word[] {
  const splits = (word: Word | undefined) =>
    word !== undefined && (/[,;(=]/.test(word.gap) || ['but', 'then', 'so'].includes(word.folded));
  let from = at;
  while (from > 0 && !splits(words[from])) from -= 1;
  let to = at + 1;
  while (to < words.length && !splits(words[to])) to += 1;
  // A date alone after a comma belongs to what stands before it.
  if (
    from > 0 &&
    to - from <= 3 &&
    !words
      .slice(from, to)
      .some(({ folded }) => yes.has(folded) || intentions.has(folded) || aheadThings.has(folded))
  )
    from = Math.max(0, from - 6);
  return words.slice(from, to);
}

/** "would be", "she'd bring": promised. */
const comes = new Set(
  'be bring come sing go have start play meet talk hand do finish show give see try ring call get send'.split(
    ' ',
  ),
);

/** Verbs that are the same in the past: "he put" is over, for it would be "he puts". */
const unchangedVerbs = new Set('put set let cut shut hurt read quit spread cost burst'.split(' '));

function isUnchangedPast(part: readonly Word[], at: number, isName: IsName): boolean {
  const isBetween = /^(?:only|just|then|also|never)$/.test(part[at - 1]?.folded ?? '');
  const [before, word] = [part[isBetween ? at - 2 : at - 1], part[at] as Word];
  // "Read 120 words a minute".
  if (word.folded === 'read' && at === 0) return /^\d+$/.test(part[1]?.folded ?? '');
  return (
    unchangedVerbs.has(word.folded) &&
    before !== undefined &&
    (/^(?:he|she|it|who)$/.test(before.folded) || (isName(before) && word.gap === ' '))
  );
}

/** "check lost property": a word of its noun, which tells of nothing. */
function isLooseWord(word: Word | undefined): boolean {
  return (
    word !== undefined && /^(?:lost|broken|missed|used|stolen|torn|unfinished|marked)$/.test(word.folded)
  );
}

/** The first word of a part that is no name; "book 4" is a thing and asks for nothing. */
function firstAsking(part: readonly Word[], isName: IsName): Word | undefined {
  const at = part.findIndex((word) => !isName(word));
  const isThing = part[at]?.folded === 'book' && /^\d/.test(part[at + 1]?.folded ?? '');
  return isThing ? undefined : part[at];
}

/** "Who's got the test on Thursday?": has it. */
function hasGot(word: Word, before: Word | undefined): boolean {
  return word.folded === 'got' && /^(?:has|have)$|['’](?:s|ve)$/.test(before?.written.toLowerCase() ?? '');
}

/** "I used the half hour to read": not "used to read", and nothing that is used. */
function hasUsed(word: Word, before: Word | undefined, next: Word | undefined): boolean {
  return (
    word.folded === 'used' &&
    next?.folded !== 'to' &&
    /^(?:i|we|he|she|they|who|nobody)$/.test(before?.folded ?? '')
  );
}

function tenseOf(part: readonly Word[], isName: IsName): Tense {
  const said = asSaid(part);
  if (/\bcoming up\b|(?:is|are|'s|'re|will be) coming\b/.test(said)) return 'ahead';
  if (shouldHaveBeen.test(said) || asItWas.test(said)) return 'past';
  const asks = firstAsking(part, isName);
  if (
    asks &&
    intentions.has(asks.folded) &&
    /^\S+ (?:\S+ )?(?:how|what|why|if|whether|who|where)\b/.test(asSaid(part.slice(part.indexOf(asks))))
  )
    return 'ahead';
  const stillToDo = part.some(
    (word, at) =>
      (aheadWords.has(word.folded) && part[at - 1]?.folded !== 'as' && !isName(word)) ||
      /['’]ll$/.test(word.written) ||
      (/^would$|['’]d$/.test(word.written.toLowerCase()) && comes.has(part[at + 1]?.folded ?? '')) ||
      isStillToDo(part, at, isName),
  );
  const lastPast = part.some(
    (word, at) =>
      (isPastVerb(word) && !isNow.has(part[at - 1]?.folded ?? '') && !hasGot(word, part[at - 1])) ||
      participles.has(word.folded) ||
      hasUsed(word, part[at - 1], part[at + 1]) ||
      isUnchangedPast(part, at, isName),
  );
  if (asks?.folded === 'check' && isName(part[part.indexOf(asks) + 1] ?? asks)) return 'ahead';
  if (stillToDo || (asks && intentions.has(asks.folded) && isLooseWord(part[part.indexOf(asks) + 1])))
    return 'ahead';
  if (lastPast) return 'past';
  if (part.some((word) => aheadThings.has(word.folded) && !isName(word))) return 'ahead';
  if (asks && intentions.has(asks.folded)) return 'ahead';
  const joint = part.findIndex(({ folded }) => folded === 'and');
  if (joint >= 0 && intentions.has(part[joint + 1]?.folded ?? '')) return 'ahead';
  if (part.some(({ folded }) => wasSo.has(folded))) return 'past';
  return 'open';
}
