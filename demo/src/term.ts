import seedrandom from 'seedrandom';
import { lessonId } from '@slate-path/core/calendar/lessons';
import { addDays, datesBetween, minutesOf, timeOf, weekdayOf } from '@slate-path/core/calendar/localTime';
import { instantOf, localMoment } from '@slate-path/core/calendar/zone';
import { Attendance, type Exception } from './attendance';
import { daysOffOf } from './files';
import { SchoolLife } from './life';
import { makeStudents, type DemoStudent } from './people';
import { classes, periodTimes, school, weeksInTerm, type DemoClass, type Period } from './scenario';
import type { Moment } from './stories';

/** A lesson of the demo and what became of it. */
export interface DemoLesson {
  className: string;
  meetingKey: string;
  date: string;
  startsAt: string;
  endsAt: string;
  fate: 'taken' | 'forgotten' | 'set_aside';
  /** ISO moment at which the roll was taken. */
  takenAt: string;
  exceptions: Exception[];
}

export interface DemoTerm {
  startsOn: string;
  endsOn: string;
  students: DemoStudent[];
  /** All lessons that are over at the demo's now. */
  lessons: DemoLesson[];
  life: SchoolLife;
}

export const meetingKey = (className: string, weekday: number, period: Period) =>
  `${className} ${weekday} ${period}`;

/** Every lesson's id derives from its meeting's; the demo names meetings by class, day and period. */
export { lessonId };

/** Monday to Friday, without what is off. */
export function schoolDays(startsOn: string, today: string): string[] {
  const off = daysOffOf(startsOn);
  return datesBetween(startsOn, today).filter(
    (date) => weekdayOf(date) <= 5 && !off.some((day) => day.startsOn <= date && date <= day.endsOn),
  );
}

function lessonOf(
  demoClass: DemoClass,
  { date, week, weekday }: Moment,
  period: Period,
  students: DemoStudent[],
  attendance: Attendance,
  draw: number,
): DemoLesson {
  const times = periodTimes(period);
  const key = meetingKey(demoClass.name, weekday, period);
  // The last full week always has forgotten lessons, so that there is something to catch up.
  const lastWeek = week === weeksInTerm - 2;
  const fate = draw < (lastWeek ? 0.2 : 0.02) ? 'forgotten' : draw > 0.988 ? 'set_aside' : 'taken';
  const takenAt = instantOf({ date, time: timeOf(minutesOf(times.startsAt) + 3) }, school.zone);
  return {
    className: demoClass.name,
    meetingKey: key,
    date,
    ...times,
    fate,
    takenAt: new Date(takenAt).toISOString(),
    exceptions: attendance.exceptionsIn(students, date, times),
  };
}

/**
 * A term of Tern Rock School that reaches its last full weeks "today".
 * @param now the demo's present moment, in milliseconds @param seed the same seed gives the same term
 */
export function makeTerm(now: number, seed = 'tern rock 2'): DemoTerm {
  const random = seedrandom(seed);
  const { date: today, time } = localMoment(now, school.zone);
  const monday = addDays(today, 1 - weekdayOf(today));
  const startsOn = addDays(monday, -7 * (weeksInTerm - 1));
  const students = makeStudents(random);
  const days = schoolDays(startsOn, today);
  const life = new SchoolLife(students, startsOn, seed);
  const attendance = new Attendance(students, days, life);
  const lessons = days.flatMap((date) => {
    const at = life.momentOf(date);
    return classes.flatMap((demoClass) => {
      const inClass = students.filter((student) => student.classes.includes(demoClass.name));
      return demoClass.meets
        .filter(([weekday]) => weekday === at.weekday)
        .map(([, period]) => lessonOf(demoClass, at, period, inClass, attendance, random()));
    });
  });
  const over = lessons.filter((lesson) => lesson.date < today || lesson.endsAt <= time);
  return { startsOn, endsOn: addDays(monday, 4 + 7), students, lessons: over, life };
}
