import path from 'node:path';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { displayName } from '@slate-path/core/people/names';
import { listBackups } from '../backups/backups';
import { selectRow } from '../../database/rowSql';
import { toRecord } from '../../database/load';
import { keeperOf, route } from '../../http/route';
import { Problem } from '../../http/problem';
import { everyoneBeside } from '../../scopes/access';
import { tellPages } from '../../scopes/tellPages';
import type { Services } from '../../services';
import type { Erasure } from './erase';

function answerOf(
  { letterIds, ...rest }: Erasure & { unfinished: boolean },
  { database }: Services,
): AnswerOf<'erase'> {
  const backups = listBackups(path.dirname(database.file));
  return {
    ...rest,
    letters: letterIds.length,
    backups: backups.length,
    lastBackup: backups[0]?.madeAt ?? null,
  };
}

export const erasureRoutes = [
  route('previewErasure', {
    allow: keeperOf('student', 'studentId'),
    async handle({ params: { studentId }, teacherId, services }) {
      const found = await services.erasures.survey(teacherId, studentId);
      return answerOf({ ...found, unfinished: false }, services);
    },
  }),
  route('erase', {
    allow: keeperOf('student', 'studentId'),
    async handle({ params: { studentId }, body, teacherId, services }) {
      const row = selectRow(services.database.lookUp, 'student', studentId);
      const name = row ? displayName(toRecord<'student'>(row)) : '';
      if (body.name.trim() !== name)
        throw new Problem(400, 'Another name', `Type ${name} to erase this student. Nothing was erased.`, [
          { field: 'name', message: `This is not ${name}` },
        ]);
      const erased = await services.erasures.erase(teacherId, studentId);
      tellPages(services, [teacherId, ...everyoneBeside(services.database.lookUp, teacherId)]);
      return answerOf(erased, services);
    },
  }),
];
