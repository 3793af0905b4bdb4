import fs from 'node:fs';

/** Bad input: exit code 1, with the file named. */
export class InputError extends Error {}

export function readInput(file: string): Uint8Array {
  try {
    return new Uint8Array(fs.readFileSync(file));
  } catch (error) {
    const { code } = error as { code?: string };
    if (code === 'ENOENT') throw new InputError(`${file}: there is no such file.`);
    throw new InputError(`${file}: cannot be read (${code ?? String(error)}).`);
  }
}

/** JSON lines for programs, a table for people. */
export function print(lines: readonly object[], json: boolean | undefined): void {
  if (json) for (const line of lines) console.log(JSON.stringify(line));
  else console.table(lines);
}
