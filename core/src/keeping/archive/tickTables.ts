import { z } from 'zod';
import { tickKinds } from '../../ticks/limits';
import { ArchiveId, Day, Decimal, emptyIsNull, Flag, oneOf, Text, Whole } from './cells';

/** Tick-sheets as files: what is kept of each student, and what stands there. */
export const tickTables = {
  tick_columns: {
    row: z.object({
      id: ArchiveId,
      section_id: ArchiveId,
      number: Whole,
      name: Text,
      kind: oneOf(tickKinds),
      due_on: emptyIsNull(Day),
      legend: Text,
      most: emptyIsNull(Decimal),
      unit: Text,
      choices: Text,
      shown: Flag,
    }),
    key: ['id'],
    pointsAt: { section_id: 'sections' },
  },
  ticks: {
    row: z.object({
      column_id: ArchiveId,
      student_id: ArchiveId,
      value: emptyIsNull(Text),
      on: emptyIsNull(Day),
      owes: emptyIsNull(Decimal),
      exempt: Flag,
    }),
    key: ['column_id', 'student_id'],
    pointsAt: { column_id: 'tick_columns', student_id: 'students' },
  },
} as const;
