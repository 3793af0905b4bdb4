import { daysBetween, weekdayOf } from '@slate-path/core/calendar/localTime';
import type { Person } from './names';
import { classes, weeksInTerm } from './scenario';
import { Chance } from './simulator/chance';
import { drawMoods, type LessonMood } from './simulator/moods';
import { drawUsual, type Culture, type Usual } from './simulator/students';
import { stories, type Moment } from './stories';

/** A small school with a harbour to look after: few are away for long, and what is set is mostly handed in. */
const culture: Culture = {
  away: 0.008,
  ill: 0.002,
  late: 0.025,
  voice: 1.3,
  trouble: 0.06,
  online: 3,
  missing: 0.04,
  stuck: 0.02,
};

type Someone = Person & { schoolId: string };

const nameOf = ({ givenName, familyName }: Person) => `${givenName} ${familyName}`;

function moodsOf(seed: string, startsOn: string): Map<string, LessonMood> {
  const moods = drawMoods(new Chance(seed), { weeks: weeksInTerm, startsOn });
  return new Map(moods.map((mood) => [mood.date, mood]));
}

/** The demo's term as it is lived: drawn by the simulator's rules, with the planted stories laid over. */
export class SchoolLife {
  private readonly usuals: Map<string, Usual>;
  private readonly days: Map<string, LessonMood>;
  private readonly lessons: Map<string, Map<string, LessonMood>>;

  /** @param startsOn the term's first Monday */
  constructor(
    students: readonly Someone[],
    private readonly startsOn: string,
    private readonly seed: string,
  ) {
    const chance = this.chance('usuals');
    this.usuals = new Map(students.map(({ schoolId }) => [schoolId, drawUsual(chance, culture)]));
    this.days = moodsOf(`${seed} days`, startsOn);
    this.lessons = new Map(classes.map(({ name }) => [name, moodsOf(`${seed} ${name}`, startsOn)]));
  }

  /**
   * Draws for one purpose, of one moment or person if it is said: a term that is a day longer is the same term up to
   * then, in whatever year it is.
   */
  chance(purpose: string, of: Moment | Someone | null = null): Chance {
    const whose = of === null ? '' : 'week' in of ? `${of.week}.${of.weekday}` : of.schoolId;
    return new Chance(`${this.seed} ${purpose} ${whose}`);
  }

  momentOf(date: string, startsAt = ''): Moment {
    const week = Math.floor(daysBetween(this.startsOn, date) / 7);
    return { date, week, weekday: weekdayOf(date), afternoon: startsAt > '12:30' };
  }

  /** What is planted for a student at a moment; nothing for most. */
  plantedFor(student: Someone, at: Moment): Partial<Usual> {
    return stories[nameOf(student)]?.(at) ?? {};
  }

  usualOf(student: Someone, at: Moment): Usual {
    const drawn = this.usuals.get(student.schoolId);
    if (!drawn) throw new Error(`Nobody drew what is usual for ${nameOf(student)}`);
    return { ...drawn, ...this.plantedFor(student, at) };
  }

  /** How a day of the school was, or of one class. */
  moodOf(date: string, className?: string): LessonMood {
    const mood = (className === undefined ? this.days : this.lessons.get(className))?.get(date);
    if (!mood) throw new Error(`${date} is no day of the term`);
    return mood;
  }
}
