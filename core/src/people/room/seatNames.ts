import { shownNames } from '../../attendance/checkIn/shownNames';
import { shortName } from '../names';
import type { Student } from '../../records/schema';

/**
 * What stands on a seat, where there is room for one word: what a student is called; of those who share that, with as
 * much of the family name as tells them apart. @returns by student, in the order of given names
 */
export function seatNames(
  students: readonly Pick<Student, 'id' | 'givenName' | 'familyName' | 'called'>[],
): Map<string, string> {
  const byId = new Map(students.map((student) => [student.id, shortName(student)]));
  const times = new Map<string, number>();
  for (const name of byId.values()) times.set(name, (times.get(name) ?? 0) + 1);
  return new Map(
    shownNames(students, true).map(({ id, name }) => {
      const short = byId.get(id) ?? '';
      return [id, times.get(short) === 1 ? short : name];
    }),
  );
}
