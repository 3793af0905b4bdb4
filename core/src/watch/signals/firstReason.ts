/** What every further piece of evidence begins with in the sentence of a concern. */
export const alsoWord = 'Also';

/** The strongest piece of evidence alone, where there is no room for the others. */
export const firstReason = (sentence: string): string => sentence.split(` ${alsoWord} `)[0] ?? sentence;
