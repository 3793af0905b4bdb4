import { route } from '../http/route';
import { applyChanges } from './applyChange';

function writesMessages(change: unknown): boolean {
  return (change as { kind?: unknown } | null)?.kind === 'message.send';
}

export const changeRoutes = [
  route('sendChanges', {
    allow: 'teacher',
    async handle({ body, teacherId, services }) {
      const answers = await applyChanges(services.database, body.changes, () => ({
        teacherId,
        receivedAt: new Date(services.clock()).toISOString(),
      }));
      services.watch.touch(teacherId, body.changes);
      const [first] = body.changes as { device?: unknown }[];
      services.events.tell(teacherId, typeof first?.device === 'string' ? first.device : '');
      // The answer does not wait for the mail: what is written is kept, and is on its way.
      if (body.changes.some(writesMessages)) void services.postman.deliverWaiting();
      return { answers };
    },
  }),
];
