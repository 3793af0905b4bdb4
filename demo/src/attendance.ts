import type { PRNG } from 'seedrandom';
import { minutesOf, timeOf } from '@slate-path/core/calendar/localTime';
import type { DemoStudent } from './people';
import { stories, type Period } from './scenario';

/** How one student was in one lesson, where it was not simply here. */
export interface Exception {
  student: DemoStudent;
  kind: 'away' | 'excused' | 'late' | 'left_early';
  arrivedAt: string | null;
  leftAt: string | null;
  comment: string;
}

export interface DemoDay {
  date: string;
  week: number;
  weekday: number;
}

interface Habits {
  away: number;
  late: number;
  excusedShare: number;
}

const reasons = ['cold', 'family trip', 'dentist', 'ferry cancelled', 'funeral', 'band rehearsal'];

/**
 * The attendance of a term: everyone with habits of their own, colds that go round for two to four
 * days at a time, a little more on Mondays, and the planted stories.
 */
export class Attendance {
  private readonly habits = new Map<DemoStudent, Habits>();
  private readonly days = new Map<string, { away: boolean; excused: boolean; reason: string }>();

  constructor(
    students: readonly DemoStudent[],
    days: readonly DemoDay[],
    private readonly random: PRNG,
  ) {
    const coldWeeks = [4, 10];
    for (const student of students) {
      const habits = {
        away: 0.003 + 0.022 * random() ** 2,
        late: 0.005 + 0.09 * random() ** 3,
        excusedShare: 0.2 + 0.5 * random(),
      };
      this.habits.set(student, habits);
      let sickDays = 0;
      let reason = '';
      for (const day of days) {
        const story = stories[`${student.givenName} ${student.familyName}`]?.away?.(day.week, day.weekday);
        const catching = coldWeeks.includes(day.week) ? 0.018 : 0.0015;
        if (sickDays === 0 && story === undefined && random() < catching) {
          sickDays = 2 + Math.floor(random() * 3);
          reason = 'cold';
        }
        const single = random() < (story ?? habits.away * (day.weekday === 1 ? 1.5 : 1));
        const away = sickDays > 0 || single;
        const excused =
          away && (sickDays > 0 ? random() < 0.7 : story === undefined && random() < habits.excusedShare);
        if (sickDays > 0) sickDays -= 1;
        else reason = reasons[Math.floor(random() * reasons.length)] ?? '';
        this.days.set(`${student.schoolId} ${day.date}`, { away, excused, reason });
      }
    }
  }

  /** Who was not simply here in a lesson. */
  exceptionsIn(
    students: readonly DemoStudent[],
    day: DemoDay,
    period: Period,
    times: { startsAt: string; endsAt: string },
  ): Exception[] {
    return students.flatMap((student) => this.exceptionOf(student, day, period, times) ?? []);
  }

  private exceptionOf(
    student: DemoStudent,
    day: DemoDay,
    period: Period,
    times: { startsAt: string; endsAt: string },
  ): Exception | null {
    const { random } = this;
    const state = this.days.get(`${student.schoolId} ${day.date}`);
    const story = stories[`${student.givenName} ${student.familyName}`]?.late?.(day.week, period);
    const lateShare = story ?? this.habits.get(student)?.late ?? 0;
    const [lateDraw, minutes, leaveDraw, commented] = [random(), random(), random(), random()];
    const none = { student, arrivedAt: null, leftAt: null, comment: '' };
    if (state?.away) {
      const comment = state.excused && commented < 0.5 ? state.reason : '';
      return { ...none, kind: state.excused ? 'excused' : 'away', comment };
    }
    if (lateDraw < lateShare) {
      const arrivedAt = timeOf(minutesOf(times.startsAt) + 6 + Math.floor(minutes ** 2 * 20));
      return { ...none, kind: 'late', arrivedAt };
    }
    if (leaveDraw < 0.004) {
      const leftAt = timeOf(minutesOf(times.endsAt) - 8 - Math.floor(minutes * 20));
      return { ...none, kind: 'left_early', leftAt, comment: commented < 0.6 ? 'dentist' : '' };
    }
    return null;
  }
}
