import { In } from '../../database/conditions';
import { lessonsBetween } from '@slate-path/core/calendar/lessons';
import { localMoment, type LocalMoment } from '@slate-path/core/calendar/zone';
import { checkInNow, plainSetting, type CheckInState } from '@slate-path/core/attendance/checkIn/window';
import type { CheckInSetting, School, Section, Student } from '@slate-path/core/records/schema';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import type { Services } from '../../services';
import { load } from '../../database/load';
import type { LinkedClass } from './links';

/** What a student's page stands before: a class, whether its door is open now, and who may come in. */
export interface Door {
  section: Section;
  school: School | undefined;
  setting: Pick<CheckInSetting, keyof typeof plainSetting>;
  now: LocalMoment;
  state: CheckInState;
  students: Student[];
}

/** Loads a class's door in a bounded number of queries; null when the class is no more. */
export async function doorOf(
  services: Services,
  { teacherId, sectionId }: LinkedClass,
): Promise<Door | null> {
  const { read } = services.database;
  const kept = { removed: false };
  const [section] = await load(read, 'section', teacherId, { ...kept, id: sectionId });
  if (!section) return null;
  const [school] = await load(read, 'school', teacherId);
  const [found] = await load(read, 'checkInSetting', teacherId, { ...kept, sectionId });
  const now = localMoment(services.clock(), school?.zone ?? 'UTC');
  const setting = found ?? plainSetting;
  const calendar = {
    terms: await load(read, 'term', teacherId, kept),
    daysOff: await load(read, 'dayOff', teacherId, kept),
    meetings: await load(read, 'meeting', teacherId, { ...kept, sectionId }),
    lessons: await load(read, 'lesson', teacherId, { sectionId, date: now.date }),
  };
  const enrolments = await load(read, 'enrolment', teacherId, { ...kept, sectionId });
  const ids = enrolments.filter((e) => isEnrolledOn(e, now.date)).map(({ studentId }) => studentId);
  return {
    section,
    school,
    setting,
    now,
    state: checkInNow(lessonsBetween(calendar, now.date, now.date), setting, now),
    students: await load(read, 'student', teacherId, { ...kept, id: In(ids) }),
  };
}
