import { many } from '../../words/many';
import type { Mark, Standing } from '../../records/schema';
import { isKnown, isPlanned } from './says';
import { minutesMissed, type Presence } from './presence';
import type { TapMeaning } from './tap';

type Times = Pick<Mark, 'arrivedAt' | 'leftAt'> | undefined;

/** How a student was there, in few words; empty for here all the time, which makes no noise. */
export function presenceWords(
  presence: Presence,
  mark: Times,
  standing: Pick<Standing, 'name' | 'countsAs'> | undefined,
): string {
  if (presence.setAside) return 'set aside';
  if (presence.away && !presence.there) return (standing?.name ?? 'Away').toLowerCase();
  const late = presence.late || presence.minutesLate > 0;
  const leftEarly = presence.leftEarly || presence.minutesEarly > 0;
  const kind = standing && standing.countsAs === 'late' ? standing.name.toLowerCase() : 'late';
  const arrived = late ? (mark?.arrivedAt ? `${kind}, ${mark.arrivedAt}` : kind) : '';
  const left = leftEarly ? (mark?.leftAt ? `left ${mark.leftAt}` : 'left early') : '';
  return [arrived, left, presence.away ? 'counts as away' : ''].filter(Boolean).join(', ');
}

/**
 * The same in one word or time, beside a bar that shows the rest: "away", "excused", "10:43" came late, "left 11:05",
 * "10:43 to 11:05"; empty for here all the time.
 */
export function tileWords(
  presence: Presence,
  mark: Times,
  standing: Pick<Standing, 'name' | 'countsAs'> | undefined,
): string {
  const whole = presenceWords(presence, mark, standing);
  if (whole === '' || presence.setAside) return whole;
  // "Away, excused" is an empty bar that is dotted: what is left to say is why.
  if (!presence.there) return whole.split(', ').at(-1) ?? whole;
  const { arrivedAt = null, leftAt = null } = mark ?? {};
  if (presence.away) return 'away';
  if (arrivedAt && leftAt) return `${arrivedAt} to ${leftAt}`;
  return arrivedAt ?? (leftAt ? `left ${leftAt}` : whole);
}

/** The same with the minutes, for those who listen. */
export function presenceSpoken(
  presence: Presence,
  mark: Times,
  standing: Pick<Standing, 'name' | 'countsAs'> | undefined,
): string {
  const words = presenceWords(presence, mark, standing) || 'here';
  const minutes = minutesMissed(presence);
  return !presence.there || minutes === 0 ? words : `${words}, ${many(minutes, 'minute')}`;
}

/** How a student was there, or is expected to be, for those who listen; the roll may not be taken yet. */
export function rowSpoken(
  lesson: { takenAt: string | null },
  presence: Presence,
  mark: Mark | undefined,
  standing: Pick<Standing, 'name' | 'countsAs'> | undefined,
): string {
  if (!isKnown(lesson, mark)) return 'not taken';
  const words = presenceSpoken(presence, mark, standing);
  return isPlanned(lesson, mark) ? `planned: ${words}` : words;
}

/** What a tap would do, as the end of "Tap: ...". */
export const meaningWords: Record<TapMeaning, string> = {
  away: 'away',
  here: 'here',
  late: 'late, from now',
  leaves: 'leaves now',
  back: 'back again',
};

/** Where a mark comes from, behind what it says. */
export const sourceWords: Record<Mark['source'], string> = {
  tap: 'marked by hand',
  check_in: 'said at check-in',
  participants: 'from a participant list',
  range: 'from a range of days',
  work: 'from finished work',
};
