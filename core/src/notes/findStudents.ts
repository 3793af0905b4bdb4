import { isEnglishWord } from './englishWords';
import { isMeant } from './meant';
import {
  beginsFamily,
  beginsFirst,
  nicknamed,
  partIn,
  slipsOf,
  type NameIndex,
  type NamePart,
} from './names';
import { capitalsTell, type Word } from './words';

/** A place in a text where a student is meant, or one of several. */
export interface Mention {
  from: number;
  to: number;
  /** Who is meant for sure; several only for "both Meis" and the like. Empty: it has to be asked. */
  studentIds: string[];
  /** Who could be meant, when it has to be asked. */
  candidates: string[];
}

/**
 * How a name was written, surest first: whole; with an initial; one part of it; a given name's later
 * part; a nickname; with a slip of the keys.
 */
const ways = ['whole', 'initial', 'lone', 'second', 'nickname', 'slip'] as const;
type Way = (typeof ways)[number];

interface Run {
  id: string;
  /** How many words it takes. */
  length: number;
  way: Way;
  to: number;
  /** An initial stands behind the name that is not this student's. */
  contradicted: boolean;
}

export interface Roster {
  index: NameIndex;
  /** Students of the class in hand: they are meant before others. */
  inHand: ReadonlySet<string>;
}

const titles = new Set('mr mrs ms miss mx dr sir madam coach prof professor señor señora'.split(' '));
const severalBefore = new Set(['both', 'two', 'all']);
const severalAfter = new Set('twins siblings brothers sisters boys girls'.split(' '));
const articles = new Set(
  'the a an this that these those his her my our your their its each every first second third last'.split(
    ' ',
  ),
);
const notInitials = new Set(['a', 'i', 'u', 'r', 'x', 'n', 's', 'b']);

interface Form {
  /** The word of a name that is meant. */
  word: string;
  to: number;
  slip: boolean;
  /** Made of several bearers: "Meis". */
  plural: boolean;
}

class Reader {
  private readonly tell: boolean;

  constructor(
    private readonly words: readonly Word[],
    private readonly roster: Roster,
  ) {
    this.tell = capitalsTell(words);
  }

  mentions(): Mention[] {
    const found: Mention[] = [];
    for (let at = 0; at < this.words.length;) {
      const runs = this.runsAt(at);
      const length = runs.length > 0 ? Math.max(...runs.map((run) => run.length)) : 0;
      const longest = runs.filter((run) => run.length === length);
      const mention = longest.length > 0 ? this.mentionOf(at, longest) : null;
      if (mention) found.push(mention);
      at += mention ? length : 1;
    }
    return found;
  }

  /** The forms in which a word may be one of a name: itself, without a possessive, with a slip. */
  private formsAt(at: number): Form[] {
    const word = this.words[at];
    if (!word) return [];
    const { byWord } = this.roster.index;
    const forms: Form[] = [];
    const plain = (known: string, to: number, plural = false) => {
      if (byWord.has(known)) forms.push({ word: known, to, slip: false, plural });
    };
    plain(word.folded, word.to);
    if (word.bare !== word.folded) plain(word.bare, word.bareTo);
    if (
      forms.length === 0 &&
      word.folded.length > 3 &&
      word.folded.endsWith('s') &&
      !isEnglishWord(word.folded)
    )
      plain(word.folded.slice(0, -1), word.to - 1, true);
    if (forms.length > 0 || word.bare.length < 4 || isEnglishWord(word.bare) || /\d/.test(word.bare))
      return forms;
    return slipsOf(this.roster.index, word.bare).map((known) => ({
      word: known,
      to: word.bareTo,
      slip: true,
      plural: false,
    }));
  }

  private runsAt(at: number): Run[] {
    const word = this.words[at];
    if (!word || this.isTitled(at)) return [];
    const runs = new Map<string, Run>();
    const keep = (run: Run) => {
      const before = runs.get(run.id);
      const better =
        !before ||
        run.length > before.length ||
        (run.length === before.length && ways.indexOf(run.way) < ways.indexOf(before.way));
      if (better) runs.set(run.id, run);
    };
    for (const form of this.formsAt(at))
      for (const { id, part } of this.roster.index.byWord.get(form.word) ?? [])
        keep(this.extended(at, id, part, form));
    for (const run of this.initialFirst(at)) keep(run);
    if (runs.size === 0 && this.mayBeNickname(word))
      for (const id of nicknamed(this.roster.index, word.bare))
        keep({ id, length: 1, way: 'nickname', to: word.bareTo, contradicted: false });
    return [...runs.values()].filter((run) => run.length > 1 || this.standsAlone(run, at));
  }

  private mayBeNickname(word: Word): boolean {
    return word.bare.length > 2 && (word.capital || !isEnglishWord(word.bare));
  }

  /** A particle ("de", "van") is no mention by itself. */
  private standsAlone(run: Run, at: number): boolean {
    const word = this.words[at];
    const part =
      word &&
      (partIn(this.roster.index, run.id, word.folded) ?? partIn(this.roster.index, run.id, word.bare));
    return part !== 'particle';
  }

  /** Follows a name from its first word as far as the words are the same student's. */
  private extended(at: number, id: string, part: NamePart, first: Form): Run {
    const parts = [part];
    let { to, slip } = first;
    let length = 1;
    let owned = (this.words[at]?.bare ?? '') !== (this.words[at]?.folded ?? '') && to !== this.words[at]?.to;
    for (; !owned; length += 1) {
      const next = this.words[at + length];
      if (!next || !this.joins(next, this.words[at + length - 1], parts)) break;
      const form = this.formsAt(at + length).find(({ word }) => partIn(this.roster.index, id, word) !== null);
      const nextPart = form && partIn(this.roster.index, id, form.word);
      if (!form || !nextPart || (/,/.test(next.gap) && nextPart === 'family')) break;
      if (nextPart === 'family' && this.isSmallWord(at, at + length)) break;
      parts.push(nextPart);
      to = form.to;
      slip ||= form.slip;
      owned = form.to !== next.to;
    }
    const has = (wanted: NamePart) => parts.includes(wanted);
    const whole = has('family') && (has('first') || has('second'));
    if (whole) return { id, length, way: slip ? 'slip' : 'whole', to, contradicted: false };
    const initial = owned || has('family') ? null : this.initialAt(at + length);
    if (initial && beginsFamily(this.roster.index, id, initial.letter))
      return { id, length: length + 1, way: 'initial', to: initial.to, contradicted: false };
    const way = slip ? 'slip' : has('first') || has('family') ? 'lone' : 'second';
    return {
      id,
      length,
      way,
      to,
      contradicted: initial !== null || (!owned && this.isOtherName(at + length)),
    };
  }

  /** "Pat read aloud" does not name Pat Read: a small word behind a capital name. */
  private isSmallWord(first: number, at: number): boolean {
    const word = this.words[at];
    if (!word || word.capital || !this.words[first]?.capital) return false;
    return isEnglishWord(word.bare);
  }

  /** A family name may stand before, with a comma; all else joins by a space or a hyphen. */
  private joins(next: Word, before: Word | undefined, parts: readonly NamePart[]): boolean {
    if (/^\s+$|^\s*[-‐‑]\s*$/.test(next.gap)) return !next.gap.includes('\n');
    // "Jordan, Casey" are two where somebody's given name is Jordan.
    const isGiven =
      this.roster.index.byWord.get(before?.bare ?? '')?.some(({ part }) => part === 'first') ?? false;
    return (
      /^,\s*$/.test(next.gap) && !isGiven && parts.every((part) => part === 'family' || part === 'particle')
    );
  }

  /** "T" or "T." behind a given name. */
  private initialAt(at: number): { letter: string; to: number } | null {
    const word = this.words[at];
    const next = this.words[at + 1];
    if (!word || !/^\s+$/.test(word.gap) || word.bare.length > 3 || !/^\p{L}+$/u.test(word.bare)) return null;
    const dotted = next ? next.gap.startsWith('.') : false;
    // "Th." begins a family name as "T" does.
    if (word.bare.length > 1 && !(dotted && word.capital && !isEnglishWord(word.bare))) return null;
    if (!word.capital && !dotted && notInitials.has(word.bare)) return null;
    if (word.written === 'I' && !dotted) return null;
    return { letter: word.bare, to: dotted ? word.bareTo + 1 : word.bareTo };
  }

  /** "M. Tanaka". */
  private initialFirst(at: number): Run[] {
    const word = this.words[at];
    const family = this.words[at + 1];
    if (!word?.capital || word.folded.length !== 1 || !family || !/^\.?\s+$/.test(family.gap)) return [];
    return this.formsAt(at + 1)
      .filter(({ slip }) => !slip)
      .flatMap((form) =>
        (this.roster.index.byWord.get(form.word) ?? [])
          .filter(({ id, part }) => part === 'family' && beginsFirst(this.roster.index, id, word.folded))
          .map(({ id }): Run => ({ id, length: 2, way: 'initial', to: form.to, contradicted: false })),
      );
  }

  /** Somebody's title stands before: a colleague or a parent of that name. */
  private isTitled(at: number): boolean {
    const word = this.words[at];
    const before = this.words[at - 1];
    return (
      word !== undefined && before !== undefined && titles.has(before.folded) && /^\.?\s+$/.test(word.gap)
    );
  }

  /** Another person's family name: a capital word that is no usual one, in a text with small ones. */
  private isOtherName(at: number): boolean {
    const word = this.words[at];
    if (!word?.capital || !this.tell || word.opens || !/^\s+$/.test(word.gap)) return false;
    if (isEnglishWord(word.bare) || word.bare.length < 3 || word.written === word.written.toUpperCase())
      return false;
    return !this.roster.index.byWord.has(word.bare);
  }

  private mentionOf(at: number, runs: Run[]): Mention | null {
    const best = this.best(runs);
    const [first] = best;
    if (!first) return null;
    const { length } = first;
    if (length === 1 && (this.isThing(at) || (this.isWord(at) && !this.isMeant(at)))) return null;
    const from = this.words[at]?.from ?? 0;
    const to = Math.max(...best.map((run) => run.to));
    const ids = best.map(({ id }) => id);
    if (ids.length > 1 && this.isSeveral(at, length)) return { from, to, studentIds: ids, candidates: [] };
    const sure = ids.length === 1 && !first.contradicted;
    return { from, to, studentIds: sure ? ids : [], candidates: sure ? [] : ids };
  }

  /** Those written in the surest way; of them those of the class in hand, if any. */
  private best(runs: readonly Run[]): Run[] {
    const clear = runs.filter(({ contradicted }) => !contradicted);
    const from = clear.length > 0 ? clear : runs;
    const surest = Math.min(...from.map(({ way }) => ways.indexOf(way)));
    const equals = from.filter(({ way }) => ways.indexOf(way) === surest);
    const here = equals.filter(({ id }) => this.roster.inHand.has(id));
    return here.length > 0 ? here : equals;
  }

  /** "the third strand": a small word behind an article is a thing, whoever is called Strand. */
  private isThing(at: number): boolean {
    const word = this.words[at];
    const before = this.words[at - 1];
    if (!word || !before || word.capital || word.possessive || !/^\s+$/.test(word.gap)) return false;
    return articles.has(before.folded);
  }

  private isWord(at: number): boolean {
    const word = this.words[at];
    return word !== undefined && (isEnglishWord(word.bare) || word.bare.length <= 2);
  }

  private isMeant(at: number): boolean {
    const isName = (other: number) => {
      const word = this.words[other];
      if (!word || this.formsAt(other).length === 0) return false;
      return !isEnglishWord(word.bare) || (word.capital && !word.opens && this.tell);
    };
    const mayBeName = (other: number) => this.formsAt(other).length > 0;
    return isMeant({ words: this.words, from: at, to: at + 1, capitalsTell: this.tell, isName, mayBeName });
  }

  /** "both Meis", "the Silva twins". */
  private isSeveral(at: number, length: number): boolean {
    const before = this.words[at - 1];
    const next = this.words[at + length];
    const plural = this.formsAt(at).some((form) => form.plural);
    return (
      (plural && severalBefore.has(before?.folded ?? '')) ||
      (length === 1 && severalAfter.has(next?.folded ?? ''))
    );
  }
}

/**
 * The students a text speaks of, in the order of the text: by called, given or family name in any order,
 * with an initial, as a possessive, without accents, with small slips of the keys. Of several who fit
 * equally well none is taken: they are candidates. A name that is also a word counts only when it is meant.
 * @returns places in UTF-16 offsets
 */
export function findStudents(words: readonly Word[], roster: Roster): Mention[] {
  return new Reader(words, roster).mentions();
}
