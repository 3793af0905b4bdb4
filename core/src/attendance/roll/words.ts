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
