import { isParticle } from '../../people/particles';
import type { Student } from '../../records/schema';
import { isEnglishWord } from '../../notes/englishWords';
import { findStudents } from '../../notes/findStudents';
import { initialsOf } from '../../notes/forReader';
import { nameIndex, type NameIndex } from '../../notes/names';
import { wordsOf, type Word } from '../../notes/words';

export type Hideable = Pick<Student, 'id' | 'givenName' | 'familyName' | 'called' | 'email'>;

interface Hidden {
  from: number;
  to: number;
  as: string;
}

const address = /[\p{L}\p{N}._%+'-]+@[\p{L}\p{N}.-]+\.\p{L}{2,}/gu;

/** Words of names as a text may have them; what is short or a particle tells nobody. */
const wordsOfName = ({ givenName, familyName, called }: Hideable): string[] =>
  [givenName, familyName, called]
    .flatMap((name) => wordsOf(name).map(({ bare }) => bare))
    .filter((word) => word.length > 1 && !isParticle(word));

/** Everybody of a school by name, taken apart once. */
export interface SchoolNames {
  students: readonly Hideable[];
  index: NameIndex;
  /** The words of each one's names. */
  words: ReadonlyMap<string, readonly string[]>;
}

export const schoolNames = (students: readonly Hideable[]): SchoolNames => ({
  students,
  index: nameIndex(students),
  words: new Map(students.map((student) => [student.id, wordsOfName(student)])),
});

/**
 * Makes texts fit for a reader of some students: every other student is shortened to initials, whether a text names
 * them in full, by one of their names or by an address. Whoever could be one of several, of whom some are not the
 * reader's, becomes an ellipsis. Better too much than too little: a word that is a name of somebody else and no usual
 * word is hidden wherever it stands.
 */
export class OthersHidden {
  private readonly byId: ReadonlyMap<string, Hideable>;
  private readonly shown: ReadonlySet<string>;
  private readonly ownWords: ReadonlySet<string>;
  /** By each word of a name of others: whose it is. */
  private readonly othersWords = new Map<string, string[]>();
  /** Who was shortened, as initials: for the teacher to see before anything is sent. */
  readonly hidden = new Map<string, string>();

  /** @param names of all who could be named @param shownIds those whom the reader may know */
  constructor(
    private readonly names: SchoolNames,
    shownIds: readonly string[],
  ) {
    this.byId = new Map(names.students.map((student) => [student.id, student]));
    this.shown = new Set(shownIds);
    this.ownWords = new Set(shownIds.flatMap((id) => names.words.get(id) ?? []));
    for (const [id, words] of names.words) {
      if (this.shown.has(id)) continue;
      for (const word of words) this.othersWords.set(word, [...(this.othersWords.get(word) ?? []), id]);
    }
  }

  /** A text as the reader gets it. */
  textOf(text: string): string {
    const words = wordsOf(text);
    const places = [...this.addresses(text), ...this.named(words), ...this.loose(words)];
    places.sort((a, b) => a.from - b.from || b.to - a.to);
    let shown = '';
    let at = 0;
    for (const { from, to, as } of places) {
      if (from < at) continue;
      shown += text.slice(at, from) + as;
      // Initials end with a full stop: a sentence that ends with them has no second one.
      at = as.endsWith('.') && text[to] === '.' ? to + 1 : to;
    }
    return shown + text.slice(at);
  }

  private tell(id: string): string {
    const student = this.byId.get(id);
    if (!student) return '…';
    const as = initialsOf(student);
    this.hidden.set(id, as);
    return as;
  }

  /** Addresses of anybody but those whose page it is. */
  private addresses(text: string): Hidden[] {
    const own = new Set([...this.shown].map((id) => this.byId.get(id)?.email.toLowerCase() ?? ''));
    return [...text.matchAll(address)].flatMap(({ 0: written, index }) =>
      own.has(written.toLowerCase()) ? [] : [{ from: index, to: index + written.length, as: '…' }],
    );
  }

  private named(words: readonly Word[]): Hidden[] {
    return findStudents(words, { index: this.names.index, inHand: this.shown }).flatMap(
      ({ from, to, studentIds, candidates }): Hidden[] => {
        const all = [...studentIds, ...candidates];
        if (all.every((id) => this.shown.has(id))) return [];
        const [only, another] = studentIds;
        return [{ from, to, as: only !== undefined && another === undefined ? this.tell(only) : '…' }];
      },
    );
  }

  /** Single words that are somebody else's name, also where the reading takes them for nobody's. */
  private loose(words: readonly Word[]): Hidden[] {
    return words.flatMap(({ from, to, bareTo, bare, folded }): Hidden[] => {
      const word = this.othersWords.has(folded) ? folded : bare;
      const ids = this.othersWords.get(word) ?? [];
      if (ids.length === 0 || this.ownWords.has(word) || isEnglishWord(word)) return [];
      const told = new Set(ids.map((id) => this.tell(id)));
      const [only = '…', another] = told;
      return [{ from, to: word === folded ? to : bareTo, as: another === undefined ? only : '…' }];
    });
  }
}
