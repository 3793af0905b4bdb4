import { inThirds, means } from '@slate-path/core/people/room/seating/groups';
import type { Groups } from '@slate-path/core/people/room/seating/mix';
import { listOf, type Records } from '@slate-path/core/records/records';

/** By what those who sit beside each other are to differ. */
export type MixBy = 'cohort' | 'engagement' | 'level';

/** The mean of each student's engagement, or of the share of the points that their work had. */
export function valuesOf(
  records: Records,
  inClass: ReadonlyMap<string, unknown>,
  by: 'engagement' | 'level',
): Map<string, number> {
  if (by === 'engagement')
    return means(
      listOf(records, 'sweep').flatMap(({ studentId, level }) =>
        level === null || !inClass.has(studentId) ? [] : [[studentId, level] as const],
      ),
    );
  return means(
    listOf(records, 'handIn').flatMap(({ studentId, workId, score }) => {
      const points = records.work[workId]?.points ?? 0;
      return score === null || points <= 0 || !inClass.has(studentId)
        ? []
        : [[studentId, score / points] as const];
    }),
  );
}

/** What each student of a class is reckoned with, by what is on this device. */
export function groupsOf(
  records: Records,
  sectionId: string,
  inClass: ReadonlyMap<string, unknown>,
  by: MixBy,
): Groups {
  if (by !== 'cohort') return inThirds(valuesOf(records, inClass, by));
  const enrolled = listOf(records, 'enrolment').filter((one) => one.sectionId === sectionId);
  return Object.fromEntries(
    enrolled.flatMap(({ studentId, cohort }) => (cohort === '' ? [] : [[studentId, cohort] as const])),
  );
}
