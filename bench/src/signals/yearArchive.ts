import { emptyArchive, type Archive } from '@slate-path/core/keeping/archive/tables';
import { simulateTerm } from '@slate-path/demo/simulator/simulateTerm';
import { withOwnIds } from '@slate-path/demo/simulator/withOwnIds';

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
  'more',
] as const;

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
    const own = withOwnIds(archive, `c${index}-`);
    for (const table of recorded) (all[table] as object[]).push(...own[table]);
  }
  return all;
}
