import fs from 'node:fs';
import path from 'node:path';
import { readNote } from '../../src/notes/readNote';
import { context, score } from '../notes/cases';

/** Sentences of a file by the manner of who wrote them, each with the day to look again, of 2026 where no year is written; none has none. */
function sentences(file: string): { text: string; day: string | null }[] {
  const lines = fs.readFileSync(path.join(__dirname, file), 'utf8').trim().split('\n');
  return lines
    .filter((line) => !line.startsWith('#'))
    .map((line) => {
      const at = line.lastIndexOf('|');
      const day = line.slice(at + 1).trim();
      return { text: line.slice(0, at).trim(), day: day.length > 5 ? day : day ? `2026-${day}` : null };
    });
}

test.each(['dates.tuned.txt', 'dates.heldOut.txt'])('%s: the day to look again, in five manners', (file) => {
  const read = sentences(file).map((one) => ({ ...one, found: readNote(one.text, context).lookAgainOn }));
  const wrong = read.filter(({ day, found }) => day !== found);
  const figures = score(
    read.map(({ day, found }) => ({ wanted: day ? [day] : [], read: found ? [found] : [] })),
  );
  if (wrong.length > 0)
    console.warn(
      `${file}: ${JSON.stringify(figures)}\n${wrong.map(({ text, day, found }) => `${text}: ${found ?? '-'} (${day ?? '-'})`).join('\n')}`,
    );
  expect(figures.precision).toBeGreaterThanOrEqual(0.97);
  expect(figures.recall).toBeGreaterThanOrEqual(0.95);
});
