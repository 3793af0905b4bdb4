import type { Word } from './words';

const set = (words: string) => new Set(words.split(' '));

const determiners = set(
  'the a an his her my our your their its this that these those no some any each every full half good bad top low high extra final first second third last next such what more most much very',
);
const pronouns = set(
  'i he she they we you it who that which there everyone everybody someone nobody anyone this these those all both one',
);
/** Words that hold a sentence together after its subject, or say how somebody was. */
const states = set(
  'was is has had does did didnt isnt wasnt hasnt hadnt doesnt seems seemed looks looked needs wants keeps kept got gets went goes came comes said says told asked asks ' +
    'forgot forgets left lost made makes did gave took takes ran sat stood spoke wrote read knew knows thinks thought felt feels fell broke brought found finds began held led met paid put rang sent sang slept stole struck swore taught threw tries understood won ' +
    'late away absent missing off out here back tired quiet stuck lost upset ill sick sleepy restless chatty silent alone helpful brilliant great excellent better worse ready confused distracted disruptive rude kind fine ok okay good calm angry anxious worried focused engaged noisy cheerful sad happy hungry proud unwell asleep ' +
    'again also both never always still just only refused cannot cant couldnt wouldnt apparently today yesterday',
);
const adverbs = set('still again also both never always just only today yesterday apparently');
const personVerbs = set(
  'told asked saw praised moved reminded called rang phoned emailed helped gave sent met paired partnered caught thanked warned sat seated swapped separated joined invited tell ask remind praise move helping telling asking reminding moving watching',
);
const givingVerbs = set(
  'gave told asked sent lent showed handed reminded given bought promised offered paid',
);
/** What one can do something with, or have: "handled it with grace". */
const virtues = set('grace hope joy faith patience charity mercy honor honour justice prudence constance');
const isTogether = (word: Word) => togetherVerbs.has(word.folded);
const togetherVerbs = set(
  'sat sits worked works paired pair spoke talked talk chat chatted argued fought swapped stuck went seat seated put share shared',
);
const personPlaces = set(
  'with for by from about between after behind beside near opposite to and or against under besides than like including especially except cc',
);
/** After a person's name one of these would begin what the word itself governs: "mark the books". */
const objects = set(
  'the a an his her my our your their its it them him us me this that these those all every each some any to',
);
const particles = set('out up off down back away');
const greetings = set('done thanks thank bravo dear hello hi well congratulations kudos hooray');
/** Modal verbs and months: small ones are never names by themselves before a verb. */
const modals = set('will may can might must shall should would could');
/** What makes another thing of a name before it. */
const compounds: Record<string, ReadonlySet<string>> = {
  grace: set('period periods note days time'),
  mark: set('scheme schemes sheet sheets book out up down'),
  may: set('day half be have not or well need come'),
  art: set('room class work lesson project club teacher folder supplies department'),
  will: set('power'),
  rose: set('window garden bush from up'),
  bill: set('for of'),
  dawn: set('chorus on of'),
  chase: set('up'),
  park: set('run'),
  sky: set('line'),
  hope: set('dies springs so that not this he she they it to for all we'),
  april: set('fools'),
  summer: set('term school holiday holidays camp'),
  autumn: set('term'),
  june: set('exams'),
  robin: set('hood'),
};
const monthNames = set(
  'january february march april may june july august september october november december',
);
const beforeMonths = set('in since by until till during next last this early late mid before after from of');

const isThirdPerson = (word: Word) => /[^s]s$/.test(word.folded) && word.folded.length > 3;
const isPast = (word: Word) => /[a-z]{2}ed$/.test(word.folded);

interface Around {
  words: readonly Word[];
  from: number;
  to: number;
  /** Do capitals tell anything in this text? */
  capitalsTell: boolean;
  /** Is there a name of the roster at this word, one that is no English word? */
  isName: (at: number) => boolean;
  /** Is there a name of the roster, be it a word as well? */
  mayBeName: (at: number) => boolean;
}

function same(words: readonly Word[], at: number, beside: number): Word | undefined {
  const [word, other] = [words[at], words[beside]];
  return word && other && word.sentence === other.sentence ? other : undefined;
}

function isCompound({ words, from, to }: Around): boolean {
  const word = words[from]?.folded ?? '';
  const next = same(words, from, to);
  const before = same(words, from, from - 1);
  if (next && /^\s+$|^-$/.test(next.gap) && compounds[word]?.has(next.folded)) return true;
  if (!monthNames.has(word)) return false;
  const number = (other: Word | undefined) => /^\d{1,2}(st|nd|rd|th)?$|^\d{4}$/.test(other?.folded ?? '');
  return number(next) || number(before) || beforeMonths.has(before?.folded ?? '');
}

const isComma = (gap: string | undefined) => /^\s*[,&+/]\s*$/.test(gap ?? '');
const isAnd = (word: Word | undefined) => word?.folded === 'and' || word?.folded === 'or';

/** The word of a list beside one: over a comma, an "and", or both. */
function besideInList({ words, from }: Around, at: number, step: 1 | -1): number | null {
  const next = same(words, from, at + step);
  if (!next) return null;
  const gap = step === 1 ? next.gap : words[at]?.gap;
  if (isAnd(next)) return same(words, from, at + 2 * step) ? at + 2 * step : null;
  return isComma(gap) ? at + step : null;
}

/** How many names stand in one list with a word, and whether one of them can be nothing else. */
function listAround(around: Around): { length: number; sure: boolean; capitals: boolean; end: number } {
  const list = {
    length: 1,
    sure: false,
    capitals: around.words[around.from]?.capital ?? false,
    end: around.from,
  };
  for (const step of [1, -1] as const) {
    let at = besideInList(around, around.from, step);
    while (at !== null && around.mayBeName(at)) {
      list.length += 1;
      list.sure ||= around.isName(at);
      list.capitals &&= around.words[at]?.capital ?? false;
      if (step === 1) list.end = at;
      at = besideInList(around, at, step);
    }
  }
  return list;
}

/** "… and Will", "Grace, Rose and May": beside other names of the roster. */
function isListed(around: Around): boolean {
  const { length, sure, capitals, end } = listAround(around);
  if (length === 1) return false;
  return sure || length > 2 || capitals || followedAsSubject({ ...around, from: end, to: end + 1 });
}

/** "1st place: Rose": all that a part of the text says. */
function isAllThereIs({ words, from, to }: Around): boolean {
  const word = words[from];
  const next = words[to];
  return (
    word !== undefined &&
    from > 0 &&
    word.opens &&
    word.capital &&
    (next === undefined || next.sentence !== word.sentence)
  );
}

function followedAsSubject({ words, from, to }: Around): boolean {
  const word = words[from];
  const next = same(words, from, to);
  if (!word || !next) return false;
  if (/^\s*[:–—]|^\s+-\s/.test(next.gap)) return word.opens;
  if (!/^\s+$/.test(next.gap)) return false;
  if (next.folded === word.folded) return true;
  if (modals.has(word.folded) && (adverbs.has(next.folded) || next.folded === 'not')) {
    // "Will not here", "Will still hasn't": after it no verb that a modal could stand before.
    const after = same(words, from, to + 1);
    return after !== undefined && states.has(after.folded) && !adverbs.has(after.folded);
  }
  if (modals.has(next.folded) || next.folded === 'not') return true;
  // "Max out the volume": a verb and its particle.
  const after = same(words, from, to + 1);
  if (particles.has(next.folded) && after && objects.has(after.folded)) return false;
  if (states.has(next.folded)) return true;
  // "may needs", "grace yawned"; but "marks needed" and "hopes dashed" are not of a name.
  return (isThirdPerson(next) && !isThirdPerson(word)) || isPast(next);
}

function precededAsPerson({ words, from, to, isName }: Around): boolean {
  const word = words[from];
  const before = same(words, from, from - 1);
  if (!word || !before || !/^\s+$/.test(word.gap)) return false;
  const next = same(words, from, to);
  const gives = givingVerbs.has(before.folded);
  if (next && objects.has(next.folded) && !['to', 'all'].includes(next.folded) && !gives) return false;
  if (gives) return true;
  if (virtues.has(word.folded) && !word.capital && !words.slice(Math.max(0, from - 4), from).some(isTogether))
    return false;
  if (personVerbs.has(before.folded) || greetings.has(before.folded)) return true;
  if (before.folded === 'to' || before.folded === 'and' || before.folded === 'or') return false;
  return personPlaces.has(before.folded) && !isName(from - 1) && !modals.has(word.folded);
}

/**
 * Is a name that is also a word meant as a name here? By its capital inside a sentence, by what stands
 * beside it (another name, "told", "with") and by what follows it ("will was", "Grace late"); not where
 * it is part of another thing ("Grace period", "in May") or an article stands before it.
 */
export function isMeant(around: Around): boolean {
  const { words, from } = around;
  const word = words[from];
  if (!word) return false;
  // A comma before it keeps it apart.
  const before = /^\s+$/.test(word.gap) ? same(words, from, from - 1) : undefined;
  if (isCompound(around)) return false;
  if (word.possessive && word.bare !== word.folded)
    return !determiners.has(before?.folded ?? '') || word.capital;
  if (word.capital && !word.opens && around.capitalsTell) return true;
  if (before && determiners.has(before.folded)) return false;
  if (modals.has(word.folded) && before && (pronouns.has(before.folded) || around.isName(from - 1)))
    return isListed(around) && !followedByBare(around);
  if (before && (pronouns.has(before.folded) || modals.has(before.folded) || before.folded === 'to'))
    return false;
  if (isAllThereIs(around)) return true;
  if (isListed(around)) return !(modals.has(word.folded) && !word.capital && followedByBare(around));
  if (precededAsPerson(around)) return true;
  // Inside a sentence and small, the word before it would have to leave room for a subject.
  const room = word.opens || before === undefined || /[,;(]/.test(word.gap) || subjectMayFollow(before);
  return room && followedAsSubject(around);
}

const beforeSubjects = set(
  'and but while because so when as if that then also today yesterday again though since until after before said says think thinks',
);
const subjectMayFollow = (before: Word) => beforeSubjects.has(before.folded);

/** "dario and mei will bring": a modal before a bare verb. */
function followedByBare({ words, from, to }: Around): boolean {
  const next = same(words, from, to);
  if (!next || !/^\s+$/.test(next.gap) || isAnd(next)) return false;
  return !states.has(next.folded) && !isPast(next) && !isThirdPerson(next) && /^[a-z]+$/.test(next.folded);
}
