/** What a message's blanks are filled with for one student. */
export interface BlankValues {
  /** How the student is called. */
  name: string;
  'full name': string;
  class: string;
  /** The day it is about, in words. */
  date: string;
  /** The days missed, in words. */
  dates: string;
  /** How often the student was away. */
  times: string;
  /** Pieces of work that are owed, in words. */
  work: string;
}

export const blankNames = [
  'name',
  'full name',
  'class',
  'date',
  'dates',
  'times',
  'work',
] as const satisfies readonly (keyof BlankValues)[];

const blankShape = /\{([^{}]*)\}/g;

/** The blanks in a text that nothing is known to fill, as written. */
export function unknownBlanks(text: string): string[] {
  const written = [...text.matchAll(blankShape)].map(([, name = '']) => name);
  return [...new Set(written.filter((name) => !isBlank(name.trim().toLowerCase())))];
}

function isBlank(name: string): name is keyof BlankValues {
  return (blankNames as readonly string[]).includes(name);
}

/**
 * A text with its blanks, `{name}` and the like, filled in. One that is unknown stays as written;
 * what fills a blank is never read for blanks again.
 */
export function fillBlanks(text: string, values: BlankValues): string {
  return text.replace(blankShape, (written, inside: string) => {
    const name = inside.trim().toLowerCase();
    return isBlank(name) ? values[name] : written;
  });
}
