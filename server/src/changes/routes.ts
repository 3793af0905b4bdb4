import { ChangeAnswer } from '@slate-path/core/changes/schema';
import { route } from '../http/route';
import { applyChange } from './applyChange';

function writesMessages(change: unknown): boolean {
  return (change as { kind?: unknown } | null)?.kind === 'message.send';
}

export const changeRoutes = [
  route('sendChanges', {
    allow: 'teacher',
    async handle({ body, teacherId, services }) {
      const answers: ChangeAnswer[] = [];
      for (const change of body.changes) {
        const receivedAt = new Date(services.clock()).toISOString();
        answers.push(await applyChange(services.database, change, { teacherId, receivedAt }));
      }
      services.watch.touch(teacherId, body.changes);
      const [first] = body.changes as { device?: unknown }[];
      services.events.tell(teacherId, typeof first?.device === 'string' ? first.device : '');
      // The answer does not wait for the mail: what is written is kept, and is on its way.
      if (body.changes.some(writesMessages)) void services.postman.deliverWaiting();
      return { answers };
    },
  }),
];
