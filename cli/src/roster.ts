import { TableError } from '@slate-path/core/formats/table';
import { readRosterFile } from '@slate-path/core/people/roster/oneRoster';
import { readRoster, type RosterRow } from '@slate-path/core/people/roster/readRoster';
import { InputError, print, readInput } from './input';

async function rowsOf(file: string): Promise<RosterRow[]> {
  try {
    return readRoster(await readRosterFile(readInput(file))).rows;
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

/** `slate roster`: how a roster file is understood. */
export async function roster({ file, json }: { file: string; json?: boolean }): Promise<void> {
  const lines = (await rowsOf(file)).map(lineOf);
  const short = lines.map(({ guardians, doubts, ...plain }) => ({
    ...plain,
    guardians: guardians.length,
    doubts: doubts.join('; '),
  }));
  print(json ? lines : short, json);
}
