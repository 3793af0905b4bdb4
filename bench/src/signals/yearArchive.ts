import { emptyArchive, type Archive } from '@slate-path/core/archive/tables';
import { simulateTerm } from '@slate-path/demo/simulator/simulateTerm';

export interface YearSize {
  classes: number;
  students: number;
  weeks: number;
}

/** What one teacher's year has: lessons, rolls, tallies, sweeps, check-ins and notes. */
const recorded = [
  'sections',
  'students',
  'enrolments',
  'lessons',
  'standings',
  'roll',
  'taken',
  'look_fors',
  'tallies',
  'sweeps',
  'check_ins',
  'topics',
  'notes',
  'note_students',
  'note_topics',
] as const;

const isId = (column: string) => column === 'id' || column.endsWith('_id');

/** Ids in the fields of a record that the format has no file for. */
const withOwnIds = (fields: string, prefix: string) =>
  JSON.stringify(JSON.parse(fields), (key, value: unknown) =>
    key.endsWith('Id') && typeof value === 'string' ? prefix + value : value,
  );

/** Several simulated classes in one archive, each with ids of its own. */
export function yearArchive({ classes, students, weeks }: YearSize): Archive {
  const all = emptyArchive();
  for (let index = 0; index < classes; index += 1) {
    const { archive } = simulateTerm({
      seed: `year ${index}`,
      students,
      weeks,
      startsOn: '2025-09-01',
      planted: ['absence', 'engagement', 'voice'],
      weekday: true,
      onsetLesson: weeks * 5 - 30,
      variety: 0.25,
    });
    const prefix = `c${index}-`;
    for (const { table, id, fields, line } of archive.more)
      all.more.push({ table, id: prefix + id, fields: withOwnIds(fields, prefix), line });
    for (const table of recorded)
      for (const row of archive[table]) {
        const own = Object.entries(row).map(([column, value]) => [
          column,
          isId(column) && typeof value === 'string' ? prefix + value : value,
        ]);
        (all[table] as object[]).push(Object.fromEntries(own) as object);
      }
  }
  return all;
}
