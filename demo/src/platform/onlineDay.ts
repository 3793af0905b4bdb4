import { addDays, datesBetween, weekdayOf } from '@slate-path/core/calendar/localTime';
import type { SchoolLife } from '../life';
import type { DemoStudent } from '../people';
import type { Chance } from '../simulator/chance';
import { nightWorkers } from '../stories';
import { dueDays, pieceTitle } from '../fromElsewhere';

/** Something that a student does on the platform. */
export interface Doing {
  /** On the school's clocks. */
  date: string;
  /** Seconds after midnight. */
  second: number;
  verb: 'opened' | 'asked' | 'answered' | 'edited' | 'posted' | 'handed in';
  object: string;
  /** How long, in seconds, where the platform knows. */
  seconds: number | null;
}

export interface Pupil {
  student: DemoStudent;
  className: string;
  life: SchoolLife;
  startsOn: string;
}

const pages = ['Week’s page', 'Examples', 'Question board', 'Own draft', 'Reading list'];
/** After opening something: mostly more of that, now and then a question or an answer. */
const follows = ['opened', 'opened', 'edited', 'answered', 'asked', 'posted'] as const;
const quietDay = { online: 0.4 };

/** When somebody begins, in seconds after midnight: after school and in the evening, some in between lessons. */
function beginning(chance: Chance, isNight: boolean): number {
  if (isNight) return chance.whole(22 * 60, 23 * 60 + 20) * 60;
  const draw = chance.uniform();
  const [from, to] = draw < 0.2 ? [8, 15] : draw < 0.7 ? [15, 18] : [18, 21];
  return chance.whole(from * 60, to * 60) * 60 + chance.whole(0, 59);
}

/** One sitting: something is opened, then one thing after another, some minutes apart. */
function sitting(chance: Chance, date: string, isNight: boolean): Doing[] {
  const object = pages[chance.whole(0, pages.length - 1)] ?? '';
  const opened = beginning(chance, isNight);
  const seconds = chance.whole(60, 900);
  const doings: Doing[] = [{ date, second: opened, verb: 'opened', object, seconds }];
  let second = opened + seconds;
  for (let more = chance.poisson(1.5); more > 0 && second < 86_000; more -= 1) {
    const verb = follows[chance.whole(0, follows.length - 1)] ?? 'opened';
    doings.push({ date, second, verb, object, seconds: null });
    second += chance.whole(40, 540);
  }
  return doings;
}

/** What is handed in on a day: the evening before it is due or in the morning, or some days late. */
function handedIn({ student, className, life, startsOn }: Pupil, date: string, isNight: boolean): Doing[] {
  return dueDays(startsOn, addDays(date, 1)).flatMap((due, index) => {
    const chance = life.chance(`hand-in ${className} ${due}`, student);
    const usual = life.usualOf(student, life.momentOf(due));
    if (chance.hit(usual.missing)) return [];
    const isLate = chance.hit(usual.handsInLate);
    const on = isLate
      ? addDays(due, chance.whole(1, 3))
      : chance.hit(0.6) || isNight
        ? addDays(due, -1)
        : due;
    const morning = on === due && !isNight;
    const minute = morning
      ? chance.whole(7 * 60, 8 * 60 + 20)
      : isNight
        ? chance.whole(22 * 60, 23 * 60)
        : chance.whole(16 * 60, 21 * 60);
    if (on !== date) return [];
    const object = pieceTitle(index);
    return [{ date, second: minute * 60, verb: 'handed in' as const, object, seconds: null }];
  });
}

/** What a student does on the platform on a day, the same whenever it is asked for. */
export function onlineDay(pupil: Pupil, date: string): Doing[] {
  const { student, className, life } = pupil;
  const chance = life.chance(`platform ${className} ${date}`, student);
  const usual = life.usualOf(student, life.momentOf(date));
  const share = weekdayOf(date) > 5 ? quietDay.online : 1;
  const sittings = chance.poisson((usual.online * share) / 2.5);
  const isNight = nightWorkers.has(`${student.givenName} ${student.familyName}`);
  const doings = Array.from({ length: sittings }, () => sitting(chance, date, isNight)).flat();
  return [...doings, ...handedIn(pupil, date, isNight)].sort((a, b) => a.second - b.second);
}

/** All days up to one. */
export const onlineDays = (pupil: Pupil, from: string, to: string): Doing[] =>
  datesBetween(from, to).flatMap((date) => onlineDay(pupil, date));
