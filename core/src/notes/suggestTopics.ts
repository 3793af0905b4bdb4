import { isEnglishWord } from './englishWords';
import { stem } from './stems';
import { wordsOf } from './words';

/** A word that comes up often and is no topic yet. */
export interface SuggestedTopic {
  word: string;
  /** Notes in which it stands. */
  notes: number;
  /** Students those notes speak of. */
  students: number;
}

export interface SuggestionSource {
  notes: readonly { text: string; studentIds: readonly string[] }[];
  /** Words of topics, of names, and those passed over. */
  known: readonly string[];
}

/** Words that tell nothing by themselves. */
const empty = new Set(
  (
    'the a an and or but if so as at by for from in into of off on onto out over to up with about after again against all also always am any are back be been before being below both can could did do does doing done down during each even ever every few finally first full get gets getting gave give given go goes going gone good got great had half hard has have having he her here hers him his how i in is isn it its itself just keep keeps kept last late left less let like little long look looked looks made make makes many may maybe me more most much must my near need needed needs never new next no nobody none nor not nothing now of off often ok okay old once one only other others our own part put quite rather really right said same saw say says see seems seemed seen sent she should since so some soon still such take taken takes tell than that the their them then there these they thing things think this those though three through till time times today told tomorrow too took twice two under until us use used very want wanted wants was way we week weeks well went were what when where which while who whole why will with without work worked would yes yesterday yet you your ' +
    'day days lesson lessons class classes student students year term minutes minute hour hours morning afternoon monday tuesday wednesday thursday friday saturday sunday check ask asked asks talk talked spoke ring call called email home mum dad mother father parent parents teacher room table bench seat sat better best bad fine nice brilliant quiet help helped lent lend lends borrow borrowed spare forgot forget forgets finish finished found find finds wrote write writes handed hand hands moved move moves settled show showed shown shows use using usual usually tried tries trying turn turned turns wrong able answer answered question questions minutes word words bring brought brings leave leaves line lines page pages piece pieces point points side sides whole first second third end start started stop stopped'
  ).split(' '),
);

const fewestNotes = 4;
const mostShown = 5;

/**
 * Words that stand in at least four notes and are no topic yet, those of most students first. Forms of a
 * word are counted together and shown as they are most often written.
 */
export function suggestTopics({ notes, known }: SuggestionSource): SuggestedTopic[] {
  const knownStems = new Set(known.flatMap((text) => wordsOf(text).map(({ bare }) => stem(bare))));
  const found = new Map<string, { forms: Map<string, number>; notes: number; students: Set<string> }>();
  for (const { text, studentIds } of notes) {
    const inNote = new Map<string, string>();
    for (const { bare, capital, opens } of wordsOf(text)) {
      if (bare.length < 4 || /\d/.test(bare) || empty.has(bare)) continue;
      // A capital inside a sentence that is no usual word: somebody's name.
      if (capital && !opens && !isEnglishWord(bare)) continue;
      inNote.set(stem(bare), bare);
    }
    for (const [root, form] of inNote) {
      if (knownStems.has(root)) continue;
      const entry = found.get(root) ?? {
        forms: new Map<string, number>(),
        notes: 0,
        students: new Set<string>(),
      };
      entry.notes += 1;
      entry.forms.set(form, (entry.forms.get(form) ?? 0) + 1);
      for (const id of studentIds) entry.students.add(id);
      found.set(root, entry);
    }
  }
  return [...found.values()]
    .filter((entry) => entry.notes >= fewestNotes)
    .map(({ forms, notes: count, students }) => ({
      word: [...forms].toSorted((a, b) => b[1] - a[1] || a[0].length - b[0].length)[0]?.[0] ?? '',
      notes: count,
      students: students.size,
    }))
    .toSorted((a, b) => b.students - a.students || b.notes - a.notes || a.word.localeCompare(b.word))
    .slice(0, mostShown);
}
