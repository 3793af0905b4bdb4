import { lowerMedian } from '../../statistics/median';
import type { CheckIn, Lesson, Student } from '../../records/schema';
import { lowWeather } from './roundUp';

/** One student's weather in some lessons, beside what is usual for the student. */
export interface WeatherRow {
  student: Student;
  /** By lesson, in the order given; null where nothing was said. */
  weather: (number | null)[];
  /** The middle of what was said before the last of these lessons; null until there are three. */
  usual: number | null;
  /** In the last of these lessons. */
  latest: number | null;
  low: boolean;
  /** At least two signs below the student's own usual. */
  lowerThanUsual: boolean;
}

/** So many answers before a usual is one. */
const fewestForUsual = 3;
/** So many signs below it are worth a look. */
const worthALook = 2;

/**
 * The weather of a class over some lessons, a student a row.
 * @param students in the order of the roll @param shown the lessons of the columns, in order of time
 * @param checkIns of these and earlier lessons of the class @param earlier lessons that count for the usual, any order
 */
export function weatherWeeks(
  students: readonly Student[],
  shown: readonly Lesson[],
  earlier: readonly Lesson[],
  checkIns: readonly CheckIn[],
): WeatherRow[] {
  const said = new Map(
    checkIns.filter((c) => !c.removed).map((c) => [`${c.lessonId} ${c.studentId}`, c.weather]),
  );
  const at = (lesson: Lesson, student: Student) => said.get(`${lesson.id} ${student.id}`) ?? null;
  const last = shown.at(-1);
  const before = [...earlier, ...shown.slice(0, -1)];
  return students.map((student) => {
    const known = before.map((lesson) => at(lesson, student)).filter((weather) => weather !== null);
    const usual = known.length < fewestForUsual ? null : lowerMedian(known);
    const latest = last ? at(last, student) : null;
    return {
      student,
      weather: shown.map((lesson) => at(lesson, student)),
      usual,
      latest,
      low: latest !== null && latest <= lowWeather,
      lowerThanUsual: latest !== null && usual !== null && usual - latest >= worthALook,
    };
  });
}
