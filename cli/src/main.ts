import { Command, InvalidArgumentError } from 'commander';
import { LocalDate } from '@slate-path/core/records/schema';
import { InputError } from './input';
import { roster } from './roster';
import { totals } from './totals';

function date(written: string): string {
  if (!LocalDate.safeParse(written).success) throw new InvalidArgumentError('A date looks like 2026-11-23.');
  return written;
}

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
