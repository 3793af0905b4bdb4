import type { Request } from 'express';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { sharedDevice } from '@slate-path/core/attendance/checkIn/place';
import { Problem } from '../../http/problem';
import type { Services } from '../../services';

const quarterHour = 15 * 60;
/** Phones of a school share one address, so that only wrong links are counted, and only they are refused. */
const wrongLinks = new RateLimiterMemory({ points: 60, duration: quarterHour });
/** A phone for one student in one lesson: to say it, and to set it right a few times. */
const mostSayings = 10;
const sayings = new RateLimiterMemory({ points: mostSayings, duration: 60 * 60 });
/** All that comes by one link, for each student of the class. */
const byLink = new RateLimiterMemory({ points: 1, duration: quarterHour });
const mostForEach = 12;
const fewestByLink = 120;
/** A phone may speak for a friend or two; the tablet at the door, which says that it is one, for everybody. */
const mostStudentsOfDevice = 6;

const oftenEnough = (detail: string) => new Problem(429, 'Often enough', detail);

/** Notes a link that leads nowhere. @throws Problem 429 when there were many from this address */
export async function countWrongLink(request: Request): Promise<void> {
  try {
    await wrongLinks.consume(request.ip ?? '');
  } catch (error) {
    if (!(error instanceof RateLimiterRes)) throw error;
    throw oftenEnough('There were too many wrong links. Ask your teacher for the right one.');
  }
}

/** For how many others a device has checked in to a lesson. */
function othersOfDevice({ database }: Services, lessonId: string, device: string, studentId: string): number {
  const of = (table: string) =>
    `SELECT "studentId" FROM "${table}" WHERE "lessonId" = ? AND "device" = ? AND "studentId" <> ?`;
  const row = database.lookUp.get<{ others: number }>(
    `SELECT count(*) AS "others" FROM (${of('checkIn')} UNION ${of('otherCheckIn')})`,
    ...[lessonId, device, studentId, lessonId, device, studentId],
  );
  return row?.others ?? 0;
}

/**
 * Somebody who plays with a link can fill a page, but not a lesson.
 * @param students how many the class has
 * @throws Problem 429
 */
export async function countSaying(
  services: Services,
  {
    token,
    lessonId,
    device,
    studentId,
    students,
  }: Record<'token' | 'lessonId' | 'device' | 'studentId', string> & {
    students: number;
  },
): Promise<void> {
  const ofLink = await byLink.penalty(token);
  if (ofLink.consumedPoints > Math.max(fewestByLink, students * mostForEach))
    throw oftenEnough('Very much was said by this link. Tell your teacher that you are here.');
  if (device === sharedDevice) return;
  const said = await sayings.penalty(`${lessonId} ${device} ${studentId}`);
  if (said.consumedPoints > mostSayings)
    throw oftenEnough('This phone has said enough for this lesson. Tell your teacher what is right.');
  if (othersOfDevice(services, lessonId, device, studentId) >= mostStudentsOfDevice)
    throw oftenEnough(
      'This phone has checked in for several others. Use your own, or tell your teacher that you are here.',
    );
}
