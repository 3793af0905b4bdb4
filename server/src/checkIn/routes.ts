import type { Request } from 'express';
import { z } from 'zod';
import { shownNames } from '@slate-path/core/checkIn/shownNames';
import { Id } from '@slate-path/core/records/schema';
import { Problem } from '../http/problem';
import { ownerOf, route } from '../http/route';
import type { Services } from '../services';
import { doorOf, type Door } from './door';
import { countSaying, countWrongLink } from './limits';
import { endLinks, linkedClass, makeLink, type LinkedClass } from './links';
import { longestComment, recordCheckIn, Saying } from './record';

const Done = z.object({ done: z.literal(true) });

async function openDoor(
  services: Services,
  request: Request,
  token: string,
): Promise<{ linked: LinkedClass; door: Door }> {
  const linked = linkedClass(services, token);
  const door = linked && (await doorOf(services, linked));
  if (door) return { linked, door };
  await countWrongLink(request);
  throw new Problem(404, 'Not found', 'This link leads nowhere. Ask your teacher for the right one.');
}

export const checkInRoutes = [
  route({
    method: 'post',
    path: '/api/sections/{sectionId}/check-in-links',
    summary: 'Makes a link by which the students of a class check in; its token is told once.',
    allow: ownerOf('section', 'sectionId'),
    params: z.object({ sectionId: Id }),
    answer: z.object({ token: z.string() }),
    async handle({ params: { sectionId }, teacherId, services }) {
      return { token: await makeLink(services, { teacherId, sectionId }) };
    },
  }),
  route({
    method: 'post',
    path: '/api/sections/{sectionId}/check-in-links/end',
    summary: 'Ends every check-in link of a class.',
    allow: ownerOf('section', 'sectionId'),
    params: z.object({ sectionId: Id }),
    answer: Done,
    async handle({ params: { sectionId }, teacherId, services }) {
      await endLinks(services, { teacherId, sectionId });
      return { done: true as const };
    },
  }),
  route({
    method: 'get',
    path: '/api/check-in/{token}',
    summary:
      'For a student’s phone: the class, whether check-in is open, and the names to choose from. Nobody’s record.',
    allow: 'anyone',
    params: z.object({ token: z.string().max(100) }),
    answer: z.object({
      className: z.string(),
      open: z.boolean(),
      startsAt: z.string().nullable(),
      closesAt: z.string().nullable(),
      opensAt: z.string().nullable(),
      lunchChoices: z.array(z.string()),
      students: z.array(z.object({ id: z.string(), name: z.string() })),
    }),
    async handle({ params: { token }, services, request }) {
      const { door } = await openDoor(services, request, token);
      const { state, setting, section } = door;
      const open = state.state === 'open';
      return {
        className: section.name,
        open,
        startsAt: open ? state.lesson.startsAt : null,
        closesAt: open ? state.closesAt : null,
        opensAt: open ? null : (state.next?.opensAt ?? null),
        lunchChoices: setting.lunchChoices,
        students: open ? shownNames(door.students, setting.shortNames) : [],
      };
    },
  }),
  route({
    method: 'post',
    path: '/api/check-in/{token}',
    summary:
      'A student checks in: a second time from the same device corrects the first, from another one it is kept beside it.',
    allow: 'anyone',
    params: z.object({ token: z.string().max(100) }),
    body: Saying,
    answer: z.object({
      name: z.string(),
      /** The minute it counts from. */
      at: z.string(),
      late: z.boolean(),
      /** The student had checked in before, from another device: both are kept. */
      again: z.boolean(),
      /** The comment was longer than is kept. */
      shortened: z.boolean(),
    }),
    async handle({ params: { token }, body, services, request }) {
      const { linked, door } = await openDoor(services, request, token);
      const shown = shownNames(door.students, door.setting.shortNames).find(
        ({ id }) => id === body.studentId,
      );
      if (!shown)
        throw new Problem(404, 'Not in this class', 'This name is not in the class. Choose yours again.');
      if (door.state.state === 'open')
        await countSaying(services, {
          token,
          lessonId: door.state.lesson.id,
          device: body.device,
          studentId: body.studentId,
          students: door.students.length,
        });
      const { late, again } = await recordCheckIn(services, linked, door, body);
      services.watch.touch(linked.teacherId, [null]);
      services.events.tell(linked.teacherId, 'check-in');
      return {
        name: shown.name,
        at: door.now.time,
        late,
        again,
        shortened: body.comment.trim().length > longestComment,
      };
    },
  }),
  route({
    method: 'get',
    path: '/api/events',
    summary: 'A stream of server-sent events: something has been written, and by which device.',
    allow: 'teacher',
    streams: true,
    answer: z.undefined(),
    handle({ teacherId, services, response }) {
      services.events.stream(teacherId, response);
      return Promise.resolve(undefined);
    },
  }),
];
