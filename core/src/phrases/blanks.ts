/** What a sentence's blanks can be: each is filled from the record for one student, `words` by whoever writes. */
export const blankMeanings = {
  name: 'what they are called',
  'given name': 'the given name',
  'full name': 'the whole name',
  class: 'the class',
  date: 'the day',
  lesson: 'the lesson and its time',
  counts: 'what was tallied in the lesson',
  minutes: 'minutes missed in the lesson',
  times: 'how often away this month',
  dates: 'the days away this month',
  work: 'work that is missing',
  'last contact': 'when home was last written to',
  words: 'your own words, typed when it is used',
} as const;

export type BlankName = keyof typeof blankMeanings;
export const blankNames = Object.keys(blankMeanings) as BlankName[];

/** What blanks are filled with for one student; one that is missing or empty has no value. */
export type BlankValues = Partial<Record<BlankName, string>>;

const blankShape = /\{([^{}]*)\}/g;

/** Case and doubled spaces do not matter. */
const nameIn = (inside: string) => inside.trim().toLowerCase().replace(/\s+/g, ' ');

function isBlank(name: string): name is BlankName {
  return Object.hasOwn(blankMeanings, name);
}

/** What stands in braces in a text, in its order, each once. */
function written(text: string): string[] {
  return [...new Set([...text.matchAll(blankShape)].map(([, inside = '']) => inside))];
}

/** The blanks of a text, in its order, each once. */
export function blanksIn(text: string): BlankName[] {
  return [...new Set(written(text).map(nameIn).filter(isBlank))];
}

/** What stands in braces and nothing is known to fill, as written. */
export function unknownBlanks(text: string): string[] {
  return written(text).filter((inside) => !isBlank(nameIn(inside)));
}

export interface Filled {
  text: string;
  /** The blanks that have no value; they stay as written. */
  missing: BlankName[];
}

/**
 * A text with its blanks, `{name}` and the like, filled in for one student, in one pass: what fills a blank is never
 * read for blanks again. What is in braces and is no blank stays as written.
 */
export function fillBlanks(text: string, values: BlankValues): Filled {
  const missing = blanksIn(text).filter((name) => !values[name]);
  const filled = text.replace(blankShape, (whole, inside: string) => {
    const name = nameIn(inside);
    return isBlank(name) ? (values[name] ?? '') || whole : whole;
  });
  return { text: filled, missing };
}
