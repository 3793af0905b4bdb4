import { minutesOf } from '../../calendar/localTime';
import type { Participant } from './readParticipants';
import type { WrittenMoment } from './moment';

const day = 86_400;

/** A stretch of time in seconds since midnight of the lesson's day. */
export type Stretch = [from: number, to: number];

/** The lesson that joins are cut to. */
export interface MeetingLesson {
  /** Null: the day does not matter, only the time of day. */
  date: string | null;
  /** `HH:MM` */
  startsAt: string;
  endsAt: string;
}

export interface MeetingPresence {
  standing: 'here' | 'late' | 'left_early' | 'away';
  /** `HH:MM:SS`, as far as it is known. */
  arrivedAt: string | null;
  leftAt: string | null;
  /** Null where the list has no times. */
  minutes: number | null;
}

const two = (value: number) => String(value).padStart(2, '0');
const clock = (seconds: number) =>
  `${two(Math.floor(seconds / 3600) % 24)}:${two(Math.floor(seconds / 60) % 60)}:${two(seconds % 60)}`;

/** Seconds since midnight of the lesson's day; null for a moment of a day that is not known. */
export type Placed = (moment: WrittenMoment) => number;

/** A moment's place on the clock of the lesson's day: another day lies whole days before or after. */
export function placeOn(date: string | null): Placed {
  return (moment) => {
    if (date === null || moment.date === null) return moment.seconds;
    const days = (Date.parse(`${moment.date}T00:00:00Z`) - Date.parse(`${date}T00:00:00Z`)) / 1000 / day;
    return days * day + moment.seconds;
  };
}

/** Stretches that touch or overlap become one. */
export function unite(stretches: readonly Stretch[]): Stretch[] {
  const united: Stretch[] = [];
  for (const [from, to] of stretches.toSorted((a, b) => a[0] - b[0])) {
    const last = united.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else united.push([from, to]);
  }
  return united;
}

function stretchesOf(lines: readonly Participant[], [start, end]: Stretch, placed: Placed): Stretch[] {
  return lines.map(({ joined, left }) => {
    const from = joined ? placed(joined) : Math.min(start, left ? placed(left) : start);
    // Without a leave time the person stayed; past midnight the clock begins anew.
    const to = left ? placed(left) : Math.max(end, from);
    return [from, to < from ? to + day : to];
  });
}

/**
 * How somebody was there in a lesson, by the joins of a meeting's list: united, cut to the lesson; late
 * or left early beyond the grace, both is late; there only before or after it is away.
 * @param lines all joins of one person @param placed where a moment lies on the lesson's clock
 */
export function presenceInMeeting(
  lines: readonly Participant[],
  lesson: MeetingLesson,
  graceMinutes: number,
  placed: Placed,
): MeetingPresence {
  const [start, end] = [minutesOf(lesson.startsAt) * 60, minutesOf(lesson.endsAt) * 60];
  const timed = lines.filter(({ joined, left }) => joined !== null || left !== null);
  if (timed.length === 0) return { standing: 'here', arrivedAt: null, leftAt: null, minutes: null };
  const there = unite(stretchesOf(timed, [start, end], placed))
    .map(([from, to]): Stretch => [Math.max(from, start), Math.min(to, end)])
    .filter(([from, to]) => from < to);
  const [first, last] = [there[0], there.at(-1)];
  if (!first || !last) return { standing: 'away', arrivedAt: null, leftAt: null, minutes: 0 };
  const late = first[0] > start + graceMinutes * 60;
  const early = last[1] < end - graceMinutes * 60;
  const seconds = there.reduce((sum, [from, to]) => sum + to - from, 0);
  return {
    standing: late ? 'late' : early ? 'left_early' : 'here',
    arrivedAt: clock(first[0]),
    leftAt: timed.some(({ left }) => left !== null) ? clock(last[1]) : null,
    minutes: Math.round(seconds / 60),
  };
}

/** The same without a lesson: first and last moment of all joins, and the minutes between, where both are known. */
export function presenceAtAnyTime(lines: readonly Participant[], placed: Placed): MeetingPresence {
  const timed = lines.filter(({ joined }) => joined !== null);
  const from = timed.flatMap(({ joined }) => (joined ? [placed(joined)] : []));
  const to = lines.flatMap(({ left }) => (left ? [placed(left)] : []));
  const whole = timed.length > 0 && lines.every(({ joined, left }) => joined && left);
  const stretches = whole ? unite(stretchesOf(lines, [0, 0], placed)) : [];
  const minutes = Math.round(stretches.reduce((sum, [a, b]) => sum + b - a, 0) / 60);
  return {
    standing: 'here',
    arrivedAt: from.length > 0 ? clock(Math.min(...from)) : null,
    leftAt: to.length > 0 && whole ? clock(Math.max(...to)) : null,
    minutes: whole ? minutes : null,
  };
}
