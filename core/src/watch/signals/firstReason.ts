/** What every further piece of evidence begins with in the sentence of a concern. */
export const alsoWord = 'Also';

/** The pieces of evidence of a concern's sentence, the strongest first, each a sentence. */
export const reasonsOf = (sentence: string): string[] =>
  sentence.split(` ${alsoWord} `).map((reason, at) => (at === 0 ? reason : `${alsoWord} ${reason}`));

/** The strongest piece of evidence alone, where there is no room for the others. */
export const firstReason = (sentence: string): string => sentence.split(` ${alsoWord} `)[0] ?? sentence;
