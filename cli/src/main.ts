import { Command, InvalidArgumentError, Option } from 'commander';
import { seeds } from '@slate-path/core/nods/draws/tickets';
import { drawChances } from '@slate-path/core/records/nodFields';
import { LocalDate, LocalTime } from '@slate-path/core/records/schema';
import { LocalMoment } from '@slate-path/core/records/values';
import { endOfDay } from '@slate-path/core/work/wholeMoment';
import { InputError } from './input';
import { backup } from './backup';
import { digest, type DigestCommand } from './digest';
import { draw, type DrawCommand } from './draw';
import { exportArchive, importArchive, restore } from './exportImport';
import { match, type LessonTime, type MatchCommand } from './match';
import { newPassphrase } from './passphrase';
import { readNote } from './readNote';
import { roster } from './roster';
import { totals } from './totals';
import { watch, type WatchCommand } from './watch';

function date(written: string): string {
  if (!LocalDate.safeParse(written).success) throw new InvalidArgumentError('A date looks like 2026-11-23.');
  return written;
}

function lessonTime(written: string): LessonTime {
  const found = /^(?:(\d{4}-\d{2}-\d{2})[T ])?(\d{2}:\d{2})(?::\d{2})?$/.exec(written);
  const [, day = null, time = ''] = found ?? [];
  if (!LocalTime.safeParse(time).success || (day !== null && !LocalDate.safeParse(day).success))
    throw new InvalidArgumentError('A time looks like 10:40, or 2026-11-23T10:40.');
  return { date: day, time };
}

function moment(written: string): string {
  if (!LocalDate.safeParse(written.slice(0, 10)).success || Number.isNaN(Date.parse(written)))
    throw new InvalidArgumentError('A moment looks like 2026-11-23T10:05.');
  return written;
}

/** A local moment; a day alone is the end of it. */
function localTime(written: string): string {
  if (LocalDate.safeParse(written).success) return endOfDay(written);
  const local = written.replace(' ', 'T');
  if (!LocalMoment.safeParse(local).success || !LocalDate.safeParse(local.slice(0, 10)).success)
    throw new InvalidArgumentError('A local time looks like 2026-11-23T17:00.');
  return local;
}

function minutes(written: string): number {
  if (!/^\d{1,3}$/.test(written)) throw new InvalidArgumentError('Minutes are a whole number.');
  return Number(written);
}

function days(written: string): number {
  if (!/^[1-9]\d{0,2}$/.test(written)) throw new InvalidArgumentError('Days are a whole number from 1 on.');
  return Number(written);
}

function wholeFrom(least: number, most: number, what: string) {
  return (written: string): number => {
    const value = /^\d{1,9}$/.test(written) ? Number(written) : -1;
    if (value < least || value > most)
      throw new InvalidArgumentError(`${what} is a whole number from ${least} to ${most}.`);
    return value;
  };
}

/** `everyone`, `none`, or a number of weeks. */
function rest(written: string): DrawCommand['rest'] {
  if (written === 'everyone' || written === 'none') return { rest: written, restWeeks: null };
  return { rest: 'weeks', restWeeks: wholeFrom(1, 52, 'Weeks')(written) };
}

const dataFolder = process.env['SLATE_DATA'] ?? 'data';
const program = new Command('slate').description('Slate Path without its screens').exitOverride();
program
  .command('roster')
  .description('how a roster file is understood')
  .requiredOption('--file <file>', 'CSV, TSV, XLSX, or a OneRoster CSV zip')
  .option('--json', 'one JSON object a line')
  .action(roster);
program
  .command('totals')
  .description('each student’s attendance in each class, from an archive')
  .requiredOption('--archive <file>', 'an archive (a zip with datapackage.json)')
  .requiredOption('--from <date>', 'first day, YYYY-MM-DD', date)
  .requiredOption('--to <date>', 'last day, which counts too', date)
  .option('--json', 'one JSON object a line')
  .action((options: Parameters<typeof totals>[0]) => {
    if (options.from > options.to) program.error('--from is later than --to.', { exitCode: 2 });
    totals(options);
  });

program
  .command('watch')
  .description('who needs the teacher, from an archive, as the list stood on an evening')
  .requiredOption('--archive <file>', 'an archive (a zip with datapackage.json)')
  .option('--as-of <date>', 'the evening, YYYY-MM-DD; nothing later is looked at', date)
  .option('--section <id>', 'only this class')
  .option('--every <days>', 'on every so many calendar days, with --from and --to', days)
  .option('--from <date>', 'the first of them', date)
  .option('--to <date>', 'the last day that counts', date)
  .option('--json', 'one JSON object a line')
  .action((options: WatchCommand) => {
    const { asOf, every, from, to } = options;
    const several = [every, from, to].filter((value) => value !== undefined).length;
    if (asOf === undefined ? several !== 3 : several !== 0)
      program.error('Give either --as-of, or --every with --from and --to.', { exitCode: 2 });
    if (from !== undefined && to !== undefined && from > to)
      program.error('--from is later than --to.', { exitCode: 2 });
    watch(options);
  });

program
  .command('digest')
  .description('work and activity of a class, from an archive')
  .requiredOption('--archive <file>', 'an archive (a zip with datapackage.json)')
  .requiredOption('--section <id>', 'the class')
  .requiredOption('--from <date>', 'first day, YYYY-MM-DD', date)
  .requiredOption('--to <date>', 'last day, which counts too', date)
  .option('--kind <kind>', 'only actions of this kind')
  .option('--place <place>', 'only actions in this place')
  .option('--as-of <moment>', 'nothing later is known (without it: the end of the last day)', localTime)
  .option('--json', 'one JSON object a line')
  .action((options: DigestCommand) => {
    if (options.from > options.to) program.error('--from is later than --to.', { exitCode: 2 });
    digest(options);
  });

program
  .command('match')
  .description('a lesson’s roll from a meeting’s participant list')
  .requiredOption('--roster <file>', 'CSV, TSV, XLSX, or a OneRoster CSV zip')
  .requiredOption('--participants <file>', 'CSV, TSV, XLSX, or lines of names and addresses')
  .option('--lesson-start <time>', 'HH:MM, or YYYY-MM-DDTHH:MM', lessonTime)
  .option('--lesson-end <time>', 'the same', lessonTime)
  .option('--grace <minutes>', 'minutes that are forgiven (5)', minutes)
  .option('--strict-email', 'dots and plus-parts of addresses count')
  .option('--json', 'one JSON object a line')
  .action((options: MatchCommand) => {
    const { lessonStart, lessonEnd } = options;
    if (!lessonStart !== !lessonEnd)
      program.error('--lesson-start and --lesson-end go together.', { exitCode: 2 });
    if (lessonStart && lessonEnd && lessonStart.time >= lessonEnd.time)
      program.error('The lesson ends before it begins.', { exitCode: 2 });
    return match(options);
  });

program
  .command('read-note')
  .description('what a note is understood to say')
  .requiredOption('--roster <file>', 'a table with the columns of students.csv')
  .option('--topics <file>', 'a table with the columns of topics.csv')
  .requiredOption('--at <moment>', 'when it was written, ISO 8601', moment)
  .requiredOption('--text <text>', 'the note')
  .option('--json', 'one JSON object')
  .action(readNote);

program
  .command('draw')
  .description('a draw again, from its kept list (--draw) or from the nods of an archive')
  .requiredOption('--archive <file>', 'an archive (a zip with datapackage.json)')
  .requiredOption('--seed <number>', 'the seed', wholeFrom(0, seeds - 1, 'A seed'))
  .option('--draw <id>', 'the list that this draw was made from')
  .option('--section <id>', 'those of this class (without it: of the whole school)')
  .option('--group <name>', 'only this group of the class')
  .option('--from <date>', 'the first day whose nods count', date)
  .option('--to <date>', 'the last of them', date)
  .option(
    '--at <moment>',
    'when it was drawn: nothing later is known (without it: the end of --to)',
    localTime,
  )
  .addOption(
    new Option('--chances <by>', 'a ticket for each nod, or one each')
      .choices([...drawChances])
      .default('nods'),
  )
  .option(
    '--rest <rule>',
    'who was drawn rests until “everyone” had a turn, for so many weeks, or “none”',
    rest,
    rest('everyone'),
  )
  .option('--winners <number>', 'how many are drawn', wholeFrom(1, 50, 'Winners'), 1)
  .option('--list', 'the list with its tickets before who was drawn')
  .option('--json', 'one JSON object a line')
  .action((options: DrawCommand) => {
    const { draw: kept, from, to } = options;
    if (kept === undefined && (from === undefined || to === undefined))
      program.error('Give --draw, or --from and --to.', { exitCode: 2 });
    if (from !== undefined && to !== undefined && from > to)
      program.error('--from is later than --to.', { exitCode: 2 });
    if (options.group !== undefined && options.section === undefined)
      program.error('A --group is of a class: give its --section.', { exitCode: 2 });
    draw(options);
  });

program
  .command('backup')
  .description('a copy of all data as it stands, also while the server runs')
  .option('--data <folder>', 'the data folder', dataFolder)
  .option(
    '--out <file>',
    'a new file (without it: in the data folder’s backups, of which the last ten and the last of each of thirty days are kept)',
  )
  .action(backup);

program
  .command('restore <file>')
  .description('a backup in the place of the data folder’s database, which is kept beside it')
  .option('--data <folder>', 'the data folder', dataFolder)
  .action(restore);

program
  .command('passphrase')
  .description('another passphrase for a teacher who has lost theirs; every device is signed out')
  .option('--data <folder>', 'the data folder', dataFolder)
  .option('--teacher <name>', 'whose, where there are several')
  .action(newPassphrase);

program
  .command('export')
  .description('everything a teacher has, as an archive')
  .option('--data <folder>', 'the data folder', dataFolder)
  .option('--teacher <name>', 'whose, where there are several')
  .requiredOption('--out <file>', 'a new file')
  .action(exportArchive);

program
  .command('import <file>')
  .description('an archive into a data folder; what is there already stays as it is')
  .option('--data <folder>', 'the data folder', dataFolder)
  .option('--teacher <name>', 'whose, where there are several; the name of a new one, where there is none')
  .addOption(
    new Option('--erased <what>', 'students in it who were erased here').choices(['leave-out', 'bring-back']),
  )
  .action(importArchive);

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
