import fs from 'node:fs';
import path from 'node:path';

/** A case of a text file: what it is, the input, and what is expected of it, a line each. */
export interface ReadingCase {
  title: string;
  input: string;
  expected: string[];
}

/** Cases of a file beside this one: `# title`, the input, then lines that begin with `=>`. */
export function readingCases(file: string): ReadingCase[] {
  const text = fs.readFileSync(path.join(__dirname, file), 'utf8');
  return text
    .split(/^# /m)
    .slice(1)
    .map((part) => {
      const [title = '', ...lines] = part.trimEnd().split('\n');
      const expected = lines.filter((line) => line.startsWith('=>')).map((line) => line.slice(2).trim());
      const input = lines.filter((line) => !line.startsWith('=>')).join('\n');
      return { title, input, expected };
    });
}
