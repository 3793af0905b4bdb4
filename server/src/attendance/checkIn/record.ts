import { ulid } from 'ulid';
import { markByArrival } from '@slate-path/core/attendance/checkIn/arrival';
import type { Saying } from '@slate-path/core/attendance/checkIn/saying';
import { placeOfCheckIn, sharedDevice } from '@slate-path/core/attendance/checkIn/place';
import type { Lesson } from '@slate-path/core/records/schema';
import { markId } from '@slate-path/core/attendance/roll/markId';
import { effectiveStandings, rulesOf } from '@slate-path/core/attendance/roll/rules';
import { applyChange } from '../../changes/applyChange';
import { Problem } from '../../http/problem';
import type { Services } from '../../services';
import { load } from '../../database/load';
import type { Door } from './door';
import { inTurn } from './inTurn';
import type { LinkedClass } from './links';

export const longestComment = 500;

/** The last one who checked in from a device, so that a friend's hand can be told from one's own. */
function lastFromDevice(services: Services, lessonId: string, device: string): string | undefined {
  return services.database.lookUp.get<{ studentId: string }>(
    'SELECT "studentId" FROM "checkIn" WHERE "lessonId" = ? AND "device" = ? ORDER BY "at" DESC LIMIT 1',
    lessonId,
    device,
  )?.studentId;
}

/** What arriving now makes of the student's mark. */
async function markNow(
  services: Services,
  { teacherId }: LinkedClass,
  { section, school, now }: Door,
  lesson: Lesson,
  studentId: string,
) {
  const { read } = services.database;
  const [mark] = await load(read, 'mark', teacherId, { id: markId(lesson.id, studentId) });
  const standings = await load(read, 'standing', teacherId);
  const standing = mark?.standingId ? effectiveStandings(standings)[mark.standingId] : undefined;
  const inUse = standings.filter(({ removed }) => !removed);
  return markByArrival(studentId, lesson, now.time, rulesOf(section, school), mark, standing, inUse);
}

export interface Recorded {
  late: boolean;
  /** The student had checked in already, from another device. */
  again: boolean;
}

/** Records what was said, in its place among what was said before. Only the first decides a mark. */
async function record(
  services: Services,
  linked: LinkedClass,
  door: Door,
  lesson: Lesson,
  { lunch, comment, ...rest }: Saying,
): Promise<Recorded> {
  const { teacherId } = linked;
  const { studentId, device } = rest;
  const { read } = services.database;
  const at = new Date(services.clock()).toISOString();
  const saying = {
    ...rest,
    at,
    lunch: door.setting.lunchChoices.includes(lunch) ? lunch : '',
    comment: comment.trim().slice(0, longestComment),
  };
  const of = { lessonId: lesson.id, studentId };
  const [first] = await load(read, 'checkIn', teacherId, of);
  const place = placeOfCheckIn(saying, first, await load(read, 'otherCheckIn', teacherId, of));
  if (place.kind === 'repeated') return { late: false, again: first?.device !== device };
  if (place.kind === 'too_many')
    throw new Problem(
      429,
      'Said often enough',
      'Several devices have checked in under this name already. Tell your teacher what is right.',
    );
  const { id, sectionId, date, startsAt, endsAt } = lesson;
  const key = { id, sectionId, date, startsAt, endsAt };
  const arrival = place.kind === 'first' ? await markNow(services, linked, door, lesson, studentId) : null;
  const before = device === sharedDevice ? undefined : lastFromDevice(services, id, device);
  const sameDevice = before !== undefined && before !== studentId;
  const written =
    place.kind === 'other'
      ? {
          kind: 'checkIn.other',
          payload: { lesson: key, id: place.otherId ?? ulid(services.clock()), checkIn: saying },
        }
      : {
          kind: 'checkIn.record',
          payload: { lesson: key, checkIn: { ...saying, sameDevice }, mark: arrival },
        };
  const change = { id: ulid(services.clock()), ...written, madeAt: at, device: 'check-in' };
  const answer = await applyChange(services.database, change, { teacherId, receivedAt: at });
  if (answer.outcome === 'refused')
    throw new Problem(409, 'Not taken', 'This could not be taken. Tell your teacher that you are here.');
  return { late: typeof arrival?.arrivedAt === 'string', again: place.kind === 'other' };
}

/** Two phones that say something at once are taken one after the other, so that the first stays the first. */
export function recordCheckIn(
  services: Services,
  linked: LinkedClass,
  door: Door,
  saying: Saying,
): Promise<Recorded> {
  const { state } = door;
  if (state.state !== 'open')
    throw new Problem(409, 'Closed', 'Check-in is closed now. Tell your teacher that you are here.');
  const { lesson } = state;
  return inTurn(markId(lesson.id, saying.studentId), () => record(services, linked, door, lesson, saying));
}
