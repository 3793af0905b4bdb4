import { foldName } from './names';

/** Words before a family name that belong to it, folded; from the usage of the languages named. */
const particles = new Set(
  [
    // Spanish, Portuguese, Italian, French
    'de del los las la da das do dos di della dello degli dei delle dalla dal du des le lo li',
    // Dutch, German, Nordic
    "van von der den het 't ten ter te zu zum zur vom uit op in af av",
    // Irish, Scottish, Welsh
    'o ni nic ui mac mc mhic ap ab ferch saint st ste',
    // Arabic, Hebrew, Turkish, Malay
    'al el bin ibn ben bint binti abu abd',
  ]
    .join(' ')
    .split(' '),
);

/** Does a word belong to the family name after it? "Ó" does; "O." is an initial. */
export function isParticle(word: string): boolean {
  return (particles.has(foldName(word)) && !word.endsWith('.')) || /^(st|ste|mc)\.$/i.test(word);
}
