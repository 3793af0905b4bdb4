import type { Known } from '@slate-path/core/attendance/participants/matchPeople';
import { In } from '../database/conditions';
import { load } from '../database/load';
import type { OpenDatabase } from '../database/open';

/** Who may be meant in what comes from elsewhere, and what was answered about who is who, by entry. */
export interface ClassKnown {
  students: Known[];
  remembered: (readonly [string, string | null])[];
}

/** What is read of a file or a feed needs: who is or was in the class, and what was answered. */
export async function classOf(
  sectionId: string,
  teacherId: string,
  { read }: OpenDatabase,
): Promise<ClassKnown> {
  const of = { sectionId, removed: false };
  const enrolments = await load(read, 'enrolment', teacherId, of);
  const id = In([...new Set(enrolments.map(({ studentId }) => studentId))]);
  const answers = await load(read, 'participantAnswer', teacherId, of);
  return {
    students: await load(read, 'student', teacherId, { id, removed: false }),
    remembered: answers.map(({ entry, studentId }) => [entry, studentId] as const),
  };
}

/** The zone of somebody's school. */
export async function zoneOf(teacherId: string, { read }: OpenDatabase): Promise<string> {
  const [school] = await load(read, 'school', teacherId);
  return school?.zone ?? 'UTC';
}
