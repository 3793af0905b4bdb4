import seedrandom from 'seedrandom';
import { lessonId } from '@slate-path/core/calendar/lessons';
import {
  addDays,
  datesBetween,
  daysBetween,
  minutesOf,
  timeOf,
  weekdayOf,
} from '@slate-path/core/calendar/localTime';
import { instantOf, localMoment } from '@slate-path/core/calendar/zone';
import { Attendance, type DemoDay, type Exception } from './attendance';
import { daysOffOf } from './files';
import { makeStudents, type DemoStudent } from './people';
import { classes, periodTimes, school, weeksInTerm, type DemoClass, type Period } from './scenario';

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
}

export const meetingKey = (className: string, weekday: number, period: Period) =>
  `${className} ${weekday} ${period}`;

/** Every lesson's id derives from its meeting's; the demo names meetings by class, day and period. */
export { lessonId };

function schoolDays(startsOn: string, today: string): DemoDay[] {
  const off = daysOffOf(startsOn);
  return datesBetween(startsOn, today).flatMap((date) => {
    const weekday = weekdayOf(date);
    const free = weekday > 5 || off.some((day) => day.startsOn <= date && date <= day.endsOn);
    return free ? [] : [{ date, weekday, week: Math.floor(daysBetween(startsOn, date) / 7) }];
  });
}

function lessonOf(
  demoClass: DemoClass,
  day: DemoDay,
  period: Period,
  students: DemoStudent[],
  attendance: Attendance,
  draw: number,
): DemoLesson {
  const times = periodTimes(period);
  const key = meetingKey(demoClass.name, day.weekday, period);
  // The last full week always has forgotten lessons, so that there is something to catch up.
  const lastWeek = day.week === weeksInTerm - 2;
  const fate = draw < (lastWeek ? 0.2 : 0.02) ? 'forgotten' : draw > 0.988 ? 'set_aside' : 'taken';
  const takenAt = instantOf({ date: day.date, time: timeOf(minutesOf(times.startsAt) + 3) }, school.zone);
  return {
    className: demoClass.name,
    meetingKey: key,
    date: day.date,
    ...times,
    fate,
    takenAt: new Date(takenAt).toISOString(),
    exceptions: attendance.exceptionsIn(students, day, period, times),
  };
}

/**
 * A term of Tern Rock School that reaches its last full weeks "today".
 * @param now the demo's present moment, in milliseconds @param seed the same seed gives the same term
 */
export function makeTerm(now: number, seed = 'tern rock'): DemoTerm {
  const random = seedrandom(seed);
  const { date: today, time } = localMoment(now, school.zone);
  const monday = addDays(today, 1 - weekdayOf(today));
  const startsOn = addDays(monday, -7 * (weeksInTerm - 1));
  const students = makeStudents(random);
  const days = schoolDays(startsOn, today);
  const attendance = new Attendance(students, days, random);
  const lessons = days.flatMap((day) =>
    classes.flatMap((demoClass) => {
      const inClass = students.filter((student) => student.classes.includes(demoClass.name));
      return demoClass.meets
        .filter(([weekday]) => weekday === day.weekday)
        .map(([, period]) => lessonOf(demoClass, day, period, inClass, attendance, random()));
    }),
  );
  const over = lessons.filter((lesson) => lesson.date < today || lesson.endsAt <= time);
  return { startsOn, endsOn: addDays(monday, 4 + 7), students, lessons: over };
}
