import fc from 'fast-check';
import { foldName } from '../src/people/names';

const names = `
Odalys | Brandt | | Emre | Aydın | | Maeve | Drummond | | Maeve | Faro | | Aleksandra | Wolny | Sasha
Saoirse | O'Hara-Lindqvist | | Bram | de Wit | | Jun | | | Mei | Tanaka | | Zélie | Okafor | | Will | Price |
Ngọc Anh | Trần | | Grace | Young | | Łucja | Wójcik | Lu
`
  .trim()
  .split(/\||\n/)
  .map((name) => name.trim());
/** People whose names are awkward on purpose: two of one name, one with a single name, one called otherwise. */
export const students = Array.from({ length: names.length / 3 }, (_, at) => {
  const [givenName = '', familyName = '', called = ''] = names.slice(at * 3, at * 3 + 3);
  const email = `${foldName(givenName).replace(/\W/g, '')}.${at}@ternrock.example`;
  return { id: `s${at}`, givenName, familyName, called, email };
});
export const [shown] = students;
const others = students.slice(1);

const formsOf = ({ givenName, familyName, called, email }: (typeof students)[number]) =>
  [
    ...[called || givenName, givenName, `${givenName} ${familyName}`.trim(), `${called || givenName}'s`],
    ...(familyName === '' ? [] : [familyName, `${familyName}, ${givenName}`]),
    email,
  ].filter(Boolean);
const mention = fc.constantFrom(...others).chain((one) => fc.constantFrom(...formsOf(one)));
const before = fc.constantFrom('Odalys worked with ', 'Asked ', 'Today ', 'Sat beside ', 'Told that ');
const after = fc.constantFrom(' about the tide tables.', ' and went on.', ' to be quiet.', ', who answered.');
/** Notes that name some of the others, by any form of their names. */
export const noteText = fc
  .array(
    fc.tuple(before, mention, after).map((parts) => parts.join('')),
    { minLength: 1, maxLength: 4 },
  )
  .map((sentences) => sentences.join(' '));

/** Names and addresses of anybody but the one who is shown, as they stand in a text. */
export function namesLeft(read: string): string[] {
  const words = new Set(foldName(read).split(/[^\p{L}\p{N}@.'-]+/u));
  return others.flatMap(({ givenName, familyName, called, email }) =>
    [givenName, familyName, called, email]
      .flatMap((name) => (name.includes('@') ? [name] : foldName(name).split(/[ -]/)))
      .filter((name) => name.length > 2 && name !== 'de' && words.has(name)),
  );
}
