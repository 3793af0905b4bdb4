import { route } from '../http/route';
import { tellPages } from '../scopes/tellPages';
import { applyChanges } from './applyChange';

/** The class in which it was said who somebody is. */
function answeredIn(change: unknown): string | null {
  const { kind, payload } = change as { kind?: unknown; payload?: { sectionId?: string } };
  return kind === 'participants.answer' ? (payload?.sectionId ?? null) : null;
}

function writesMessages(change: unknown): boolean {
  const kind = (change as { kind?: unknown } | null)?.kind;
  return kind === 'message.send' || kind === 'nod.give';
}

export const changeRoutes = [
  route('sendChanges', {
    allow: 'member',
    async handle({ body, teacherId, services }) {
      const heard = new Set<string>();
      const answers = await applyChanges(services.database, body.changes, () => ({
        teacherId,
        receivedAt: new Date(services.clock()).toISOString(),
        heard,
      }));
      const [first] = body.changes as { device?: unknown }[];
      const device = typeof first?.device === 'string' ? first.device : '';
      tellPages(services, [teacherId, ...heard], body.changes, device);
      // The answer does not wait for the mail: what is written is kept, and is on its way.
      if (body.changes.some(writesMessages)) void services.postman.wake();
      for (const [index, change] of body.changes.entries()) {
        const sectionId = answers[index]?.outcome === 'applied' ? answeredIn(change) : null;
        if (sectionId !== null) services.feeds.expectOfStrangers(sectionId);
      }
      return { answers };
    },
  }),
];
