import { stemmer } from 'stemmer';

/** Verbs that change more than their ending; each line is one verb, and its noun where it has one. */
const irregular = [
  'forget forgot forgotten',
  'stick stuck',
  'speak spoke spoken speech',
  'write wrote written',
  'fight fought',
  'sleep slept asleep sleepy',
  'choose chose chosen choice',
  'break broke broken',
  'bring brought',
  'think thought',
  'teach taught',
  'fall fell fallen',
  'lose lost loss',
  'leave left',
  'steal stole stolen',
  'swear swore sworn',
  'throw threw thrown',
  'run ran',
  'eat ate eaten',
  'hide hid hidden',
  'draw drew drawn',
  'tear tore torn',
  'tie tying',
  'lie lying',
  'read reread',
  'fidget fidgety fidgets',
  'understand understood',
  'take took taken',
  'give gave given',
  'know knew known knowledge',
  'begin began begun',
  'swim swam swum',
  'sing sang sung',
  'drive drove driven',
  'ride rode ridden',
  'shake shook shaken',
  'wind wound',
  'bend bent',
  'spell spelt spelling',
  'feel felt',
  'lead led',
  'cheat cheater',
  'chat chatter chatty',
  'argue argument arguing',
  'absent absence',
  'late lateness',
  'anxious anxiety',
  'angry anger angrily',
  'hungry hunger',
  'tired tiredness tiring',
  'sad sadness',
  'lonely loneliness',
  'rude rudeness',
  'kind kindness',
  'noisy noise noisily',
  'punctual punctuality',
  'responsible responsibility',
  'confident confidence',
  'disrupt disruption disruptive',
  'distract distraction distractible',
  'organise organisation disorganised',
  'participate participation',
  'behave behaviour',
];

const families = new Map<string, string>();
const membersOf = new Map<string, readonly string[]>();
for (const line of irregular) {
  const [head = '', ...forms] = line.split(' ');
  const root = stemmer(britishToOne(head));
  membersOf.set(root, [head, ...forms]);
  for (const form of forms) families.set(stemmer(britishToOne(form)), root);
}

/** One spelling for both sides of the ocean: colour and color, organise and organize. */
function britishToOne(word: string): string {
  return word
    .replace(/our(s|ed|ing|able|al|ful|less)?$/, (ending) => ending.replace('our', 'or'))
    .replace(/is(e|es|ed|ing|ation|ations)$/, 'iz$1')
    .replace(/ll(ed|ing|er)$/, 'l$1');
}

const kept = new Map<string, string>();

/**
 * What the forms of a word share: "splicing", "spliced" and "splices" are one, and so are "forgot" and
 * "forgetting", "behavior" and "behaviour".
 * @param folded lower case, without apostrophes
 * Source: Porter (1980), An algorithm for suffix stripping, Program 14(3), through the package stemmer;
 * irregular verbs and spellings are ours.
 */
export function stem(folded: string): string {
  const known = kept.get(folded);
  if (known !== undefined) return known;
  const plain = stemmer(britishToOne(folded));
  const root = families.get(plain) ?? plain;
  if (kept.size > 20_000) kept.clear();
  kept.set(folded, root);
  return root;
}

/** The words to look for instead of one, where an ending is not all that changes: "forget", "forgot". */
export function formsOf(folded: string): string[] {
  const others = membersOf.get(stem(folded)) ?? [];
  const oursOrTheirs = folded.length > 4 ? folded.replace(/or(s|ed|ing)?$/, 'our$1') : folded;
  const spelt = [folded, britishToOne(folded), oursOrTheirs];
  return [...new Set([...spelt, ...others])];
}
