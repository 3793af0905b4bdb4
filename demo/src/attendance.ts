import { minutesOf, timeOf } from '@slate-path/core/calendar/localTime';
import type { SchoolLife } from './life';
import type { DemoStudent } from './people';
import type { Chance } from './simulator/chance';
import { drawIllness, drawMissed } from './simulator/draws';
import type { Moment } from './stories';

/** How one student was in one lesson, where it was not simply here. */
export interface Exception {
  student: DemoStudent;
  kind: 'away' | 'excused' | 'late' | 'left_early';
  arrivedAt: string | null;
  leftAt: string | null;
  comment: string;
}

interface MissedDay {
  excused: boolean;
  reason: string;
}

interface Times {
  startsAt: string;
  endsAt: string;
}

const reasons = ['family trip', 'dentist', 'ferry cancelled', 'funeral', 'band rehearsal'];

/** The attendance of a term: days missed, ill or for themselves, and in a lesson who came late or left early. */
export class Attendance {
  private readonly missed = new Map<string, MissedDay>();

  constructor(
    students: readonly DemoStudent[],
    days: readonly string[],
    private readonly life: SchoolLife,
  ) {
    for (const student of students) this.liveThrough(student, days);
  }

  private liveThrough(student: DemoStudent, days: readonly string[]): void {
    const { life } = this;
    const chance = life.chance('days', student);
    const excusedShare = 0.2 + 0.5 * chance.uniform();
    let illUntil = -1;
    days.forEach((date, day) => {
      const at = life.momentOf(date);
      const usual = life.usualOf(student, at);
      const planted = life.plantedFor(student, at).away ?? null;
      illUntil = drawIllness(chance, usual, life.moodOf(date), illUntil, day);
      const isIll = day <= illUntil;
      const isMissed = drawMissed(chance, usual, life.moodOf(date), planted);
      // What is planted is unexplained: a family trip would be no story.
      const excused = chance.hit(isIll ? 0.7 : planted === null ? excusedShare : 0);
      const reason = isIll ? 'cold' : (reasons[chance.whole(0, reasons.length - 1)] ?? '');
      if (isIll || isMissed) this.missed.set(`${student.schoolId} ${date}`, { excused, reason });
    });
  }

  /** Who was not simply here in a lesson. */
  exceptionsIn(students: readonly DemoStudent[], date: string, times: Times): Exception[] {
    const at = this.life.momentOf(date, times.startsAt);
    const chance = this.life.chance(`roll ${times.startsAt}`, at);
    return students.flatMap((student) => this.exceptionOf(student, at, times, chance) ?? []);
  }

  private exceptionOf(
    student: DemoStudent,
    at: Moment,
    { startsAt, endsAt }: Times,
    chance: Chance,
  ): Exception | null {
    const none = { student, arrivedAt: null, leftAt: null, comment: '' };
    const missed = this.missed.get(`${student.schoolId} ${at.date}`);
    if (missed) {
      const { excused, reason } = missed;
      const comment = excused && chance.hit(0.5) ? reason : '';
      return { ...none, kind: excused ? 'excused' : 'away', comment };
    }
    if (chance.hit(this.life.usualOf(student, at).late)) {
      const minutes = 6 + Math.floor(chance.uniform() ** 2 * 20);
      return { ...none, kind: 'late', arrivedAt: timeOf(minutesOf(startsAt) + minutes) };
    }
    if (chance.hit(0.004)) {
      const leftAt = timeOf(minutesOf(endsAt) - chance.whole(8, 27));
      return { ...none, kind: 'left_early', leftAt, comment: chance.hit(0.6) ? 'dentist' : '' };
    }
    return null;
  }
}
