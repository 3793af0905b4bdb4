import { readRosterFile } from '../../src/people/roster/oneRoster';
import { readRoster, type RosterRow } from '../../src/people/roster/readRoster';
import { readingCases, type ReadingCase } from './cases';

const tidy = (line: string) => line.replace(/ +/g, ' ').trim();

/** A row as the cases write it: `? Given | Family | email | Guardian <address>`. */
function written({ fate, givenName, familyName, email, guardians }: RosterRow): string {
  const adults = guardians.map(({ name, email: address }) =>
    [name, address && `<${address}>`].filter(Boolean).join(' '),
  );
  const cells = [givenName, familyName, email, adults.join(', ')];
  while (cells.length > 2 && cells.at(-1) === '') cells.pop();
  return tidy(`${fate === 'in_doubt' ? '? ' : ''}${cells.join(' | ')}`);
}

async function peopleOf({ input }: ReadingCase): Promise<string[]> {
  const { rows } = readRoster(await readRosterFile(new TextEncoder().encode(input)));
  return rows.filter(({ fate }) => fate !== 'left_out').map(written);
}

/** How many people are read as they are, over a file of cases; and those nobody is. */
async function figures(file: string) {
  const found = { people: 0, right: 0, invented: 0, wrong: [] as string[] };
  for (const one of readingCases(file)) {
    const expected = one.expected.map(tidy);
    const people = await peopleOf(one);
    const right = expected.filter((person) => people.includes(person));
    found.people += expected.length;
    found.right += right.length;
    found.invented += Math.max(people.length - expected.length, 0);
    if (right.length < expected.length || people.length !== expected.length)
      found.wrong.push(`${one.title}: ${people.join(' / ')}`);
  }
  return found;
}

test.each(['rosters.tuned.txt', 'rosters.heldOut.txt'])(
  '%s: 98 of 100 people are read right, and nobody is invented',
  async (file) => {
    const { people, right, invented, wrong } = await figures(file);
    if (wrong.length > 0) console.warn(`${file}: ${right} of ${people}\n${wrong.join('\n')}`);
    expect(right / people).toBeGreaterThanOrEqual(0.98);
    expect(invented).toBe(0);
  },
);
