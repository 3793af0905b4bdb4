import type { Request } from 'express';
import { shownNames } from '@slate-path/core/attendance/checkIn/shownNames';
import { Problem } from '../../http/problem';
import { writerOf, route } from '../../http/route';
import type { Services } from '../../services';
import { peopleIn } from '../../scopes/access';
import { tellPages } from '../../scopes/tellPages';
import { doorOf, type Door } from './door';
import { countSaying, countWrongLink } from './limits';
import { endLinks, linkedClass, makeLink, type LinkedClass } from './links';
import { longestComment, recordCheckIn } from './record';

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
  route('makeCheckInLink', {
    allow: writerOf('section', 'sectionId'),
    async handle({ params: { sectionId }, teacherId, services }) {
      return { token: await makeLink(services, { teacherId, sectionId }) };
    },
  }),
  route('endCheckInLinks', {
    allow: writerOf('section', 'sectionId'),
    async handle({ params: { sectionId }, teacherId, services }) {
      await endLinks(services, { teacherId, sectionId });
      return { done: true as const };
    },
  }),
  route('checkInDoor', {
    allow: 'anyone',
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
  route('checkIn', {
    allow: 'anyone',
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
      const { lookUp } = services.database;
      const people = [linked.teacherId, ...peopleIn(lookUp, linked.sectionId)];
      tellPages(services, new Set(people), [null], 'check-in');
      return {
        name: shown.name,
        at: door.now.time,
        late,
        again,
        shortened: body.comment.trim().length > longestComment,
      };
    },
  }),
  route('events', {
    allow: 'member',
    streams: true,
    handle({ teacherId, services, response }) {
      services.events.stream(teacherId, response);
      return Promise.resolve(undefined);
    },
  }),
];
