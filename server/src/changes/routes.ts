import { z } from 'zod';
import { ChangeAnswer, ChangeBatch } from '@slate-path/core/changes/schema';
import { route } from '../http/route';
import { applyChange } from './applyChange';

export const changeRoutes = [
  route({
    method: 'post',
    path: '/api/changes',
    summary: 'The one door for writes: a batch of changes, each applied or refused by itself, in order.',
    allow: 'teacher',
    body: ChangeBatch,
    answer: z.object({ answers: z.array(ChangeAnswer) }),
    async handle({ body, teacherId, services }) {
      const answers: ChangeAnswer[] = [];
      for (const change of body.changes) {
        const receivedAt = new Date(services.clock()).toISOString();
        answers.push(await applyChange(services.database, change, { teacherId, receivedAt }));
      }
      return { answers };
    },
  }),
];
