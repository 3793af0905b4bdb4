import path from 'node:path';
import { z } from 'zod';
import { displayName } from '@slate-path/core/people/names';
import { Id } from '@slate-path/core/records/schema';
import { tableNames } from '@slate-path/core/records/tables';
import { listBackups } from '../backups/backups';
import { selectRow } from '../database/rowSql';
import { toRecord } from '../views/load';
import { ownerOf, route } from '../http/route';
import { Problem } from '../http/problem';
import type { Services } from '../services';
import type { Erasure } from './erase';

const Counts = z.array(z.object({ table: z.enum(tableNames), count: z.int() }));
const Answer = z.object({
  name: z.string(),
  gone: Counts,
  cleaned: Counts,
  lines: z.int(),
  shared: z.array(z.string()),
  letters: z.int(),
  /** The records are gone, but bytes of them are left in the file until it can be packed. */
  unfinished: z.boolean(),
  /** How many backups on the server were made before, and when the last of them; they keep everything. */
  backups: z.int(),
  lastBackup: z.iso.datetime().nullable(),
});

function answerOf(
  { messageIds, ...rest }: Erasure & { unfinished: boolean },
  { database }: Services,
): z.input<typeof Answer> {
  const backups = listBackups(path.dirname(database.file));
  return {
    ...rest,
    letters: messageIds.length,
    backups: backups.length,
    lastBackup: backups[0]?.madeAt ?? null,
  };
}

export const erasureRoutes = [
  route({
    method: 'get',
    path: '/api/students/{studentId}/erasure',
    summary: 'What erasing a student would take away; nothing is changed.',
    allow: ownerOf('student', 'studentId'),
    params: z.object({ studentId: Id }),
    answer: Answer,
    async handle({ params: { studentId }, teacherId, services }) {
      const found = await services.erasures.survey(teacherId, studentId);
      return answerOf({ ...found, unfinished: false }, services);
    },
  }),
  route({
    method: 'post',
    path: '/api/students/{studentId}/erasure',
    summary:
      'Erases all of a student for good: records, log, search index and copies of letters. It cannot be taken back.',
    allow: ownerOf('student', 'studentId'),
    params: z.object({ studentId: Id }),
    /** The name, typed out, so that nobody is erased by a slip. */
    body: z.strictObject({ name: z.string() }),
    answer: Answer,
    async handle({ params: { studentId }, body, teacherId, services }) {
      const row = selectRow(services.database.lookUp, 'student', studentId);
      const name = row ? displayName(toRecord<'student'>(row)) : '';
      if (body.name.trim() !== name)
        throw new Problem(400, 'Another name', `Type ${name} to erase this student. Nothing was erased.`, [
          { field: 'name', message: `This is not ${name}` },
        ]);
      const erased = await services.erasures.erase(teacherId, studentId);
      services.watch.touch(teacherId, [null]);
      services.events.tell(teacherId, '');
      return answerOf(erased, services);
    },
  }),
];
