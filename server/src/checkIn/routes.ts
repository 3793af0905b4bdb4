import { ulid } from 'ulid';
import { z } from 'zod';
import { markByArrival } from '@slate-path/core/checkIn/arrival';
import { shownNames } from '@slate-path/core/checkIn/shownNames';
import { Id } from '@slate-path/core/records/schema';
import { markId } from '@slate-path/core/roll/markId';
import { effectiveStandings, rulesOf } from '@slate-path/core/roll/rules';
import { applyChange } from '../changes/applyChange';
import { Problem } from '../http/problem';
import { ownerOf, route } from '../http/route';
import type { Services } from '../services';
import { load } from '../views/load';
import { doorOf, type Door } from './door';
import { endLinks, linkedClass, makeLink, type LinkedClass } from './links';

const Done = z.object({ done: z.literal(true) });
/** Wrong links, not check-ins, are what is counted: a school's phones share one address. */
const wrongLinksPerQuarterHour = 60;
const longestComment = 500;

async function openDoor(services: Services, token: string): Promise<{ linked: LinkedClass; door: Door }> {
  const linked = linkedClass(services, token);
  const door = linked && (await doorOf(services, linked));
  if (!door)
    throw new Problem(404, 'Not found', 'This link leads nowhere. Ask your teacher for the right one.');
  return { linked, door };
}

/** The last one who checked in from a device, so that a friend's hand can be told from one's own. */
function lastFromDevice(services: Services, lessonId: string, device: string): string | undefined {
  return services.database.lookUp.get<{ studentId: string }>(
    'SELECT "studentId" FROM "checkIn" WHERE "lessonId" = ? AND "device" = ? ORDER BY "at" DESC LIMIT 1',
    lessonId,
    device,
  )?.studentId;
}

const Answer = z.strictObject({
  studentId: Id,
  weather: z.int().min(1).max(5).nullable(),
  wantsWord: z.boolean(),
  lunch: z.string().max(40),
  comment: z.string().max(20_000),
  /** A name that the phone made up for itself; `shared` is the tablet at the door. */
  device: z.string().min(1).max(64),
});

/** What a check-in writes: the lesson, the answers, and what arriving now makes of the mark. */
async function payloadOf(
  services: Services,
  { teacherId }: LinkedClass,
  { section, school, setting, now, state }: Door,
  { studentId, comment, lunch, device, ...said }: z.output<typeof Answer>,
) {
  if (state.state !== 'open')
    throw new Problem(409, 'Closed', 'Check-in is closed now. Tell your teacher that you are here.');
  const { id, sectionId, date, startsAt, endsAt } = state.lesson;
  const { read } = services.database;
  const [mark] = await load(read, 'mark', { id: markId(id, studentId), teacherId });
  const standings = await load(read, 'standing', { teacherId });
  const standing = mark?.standingId ? effectiveStandings(standings)[mark.standingId] : undefined;
  const before = device === 'shared' ? undefined : lastFromDevice(services, id, device);
  return {
    lesson: { id, sectionId, date, startsAt, endsAt },
    checkIn: {
      ...said,
      studentId,
      at: new Date(services.clock()).toISOString(),
      lunch: setting.lunchChoices.includes(lunch) ? lunch : '',
      comment: comment.trim().slice(0, longestComment),
      device,
      sameDevice: before !== undefined && before !== studentId,
    },
    mark: markByArrival(
      studentId,
      state.lesson,
      now.time,
      rulesOf(section, school),
      mark,
      standing,
      standings.filter(({ removed }) => !removed),
    ),
  };
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
    triesPerQuarterHour: wrongLinksPerQuarterHour,
    countsFailuresOnly: true,
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
    async handle({ params: { token }, services }) {
      const { door } = await openDoor(services, token);
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
    summary: 'A student checks in: once a lesson, a second time corrects the first.',
    allow: 'anyone',
    triesPerQuarterHour: wrongLinksPerQuarterHour,
    countsFailuresOnly: true,
    params: z.object({ token: z.string().max(100) }),
    body: Answer,
    answer: z.object({
      name: z.string(),
      /** The minute it counts from. */
      at: z.string(),
      late: z.boolean(),
      /** The comment was longer than is kept. */
      shortened: z.boolean(),
    }),
    async handle({ params: { token }, body, services }) {
      const { linked, door } = await openDoor(services, token);
      const shown = shownNames(door.students, door.setting.shortNames).find(
        ({ id }) => id === body.studentId,
      );
      if (!shown)
        throw new Problem(404, 'Not in this class', 'This name is not in the class. Choose yours again.');
      const payload = await payloadOf(services, linked, door, body);
      const at = new Date(services.clock()).toISOString();
      const change = {
        id: ulid(services.clock()),
        kind: 'checkIn.record',
        payload,
        madeAt: at,
        device: 'check-in',
      };
      const answer = await applyChange(services.database, change, {
        teacherId: linked.teacherId,
        receivedAt: at,
      });
      if (answer.outcome === 'refused')
        throw new Problem(409, 'Not taken', 'This could not be taken. Tell your teacher that you are here.');
      services.watch.touch(linked.teacherId, [null]);
      services.events.tell(linked.teacherId, 'check-in');
      return {
        name: shown.name,
        at: door.now.time,
        late: typeof payload.mark?.arrivedAt === 'string',
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
