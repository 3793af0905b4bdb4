import fs from 'node:fs';
import { Command } from 'commander';
import { readTable, TableError } from '@slate-path/core/formats/table';
import { readRoster, type RosterRow } from '@slate-path/core/roster/readRoster';

/** Bad input: exit code 1, with the file named. */
class InputError extends Error {}

async function rowsOf(file: string): Promise<RosterRow[]> {
  if (!fs.existsSync(file)) throw new InputError(`${file}: there is no such file.`);
  try {
    return readRoster(await readTable(new Uint8Array(fs.readFileSync(file)))).rows;
  } catch (error) {
    if (error instanceof TableError) throw new InputError(`${file}: ${error.message}`);
    throw error;
  }
}

/** A row in the names of the open format. */
function lineOf(row: RosterRow) {
  const { line, fate, givenName, familyName, called, email, grade, cohort, guardians } = row;
  const doubts = row.doubts.map(({ column, reason }) =>
    column === null ? reason : `column ${column}: ${reason}`,
  );
  return {
    line,
    fate,
    given_name: givenName,
    family_name: familyName,
    called,
    email,
    grade,
    cohort,
    guardians,
    doubts,
  };
}

async function roster({ file, json }: { file: string; json?: boolean }): Promise<void> {
  const lines = (await rowsOf(file)).map(lineOf);
  if (json) for (const line of lines) console.log(JSON.stringify(line));
  else
    console.table(
      lines.map(({ guardians, doubts, ...plain }) => ({
        ...plain,
        guardians: guardians.length,
        doubts: doubts.join('; '),
      })),
    );
}

const program = new Command('slate').description('Slate Path without its screens').exitOverride();
program
  .command('roster')
  .description('how a roster file is understood')
  .requiredOption('--file <file>', 'CSV, TSV or XLSX')
  .option('--json', 'one JSON object a line')
  .action(roster);

program.parseAsync().catch((error: unknown) => {
  if (error instanceof InputError) {
    console.error(error.message);
    process.exit(1);
  }
  const { code, exitCode } = error as { code?: string; exitCode?: number };
  // Commander has said already what is wrong with the words of the command; help is no error.
  if (code?.startsWith('commander.')) process.exit(exitCode === 0 ? 0 : 2);
  console.error(error);
  process.exit(1);
});
