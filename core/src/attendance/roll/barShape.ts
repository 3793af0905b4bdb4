import type { BarShape } from '../../drawing/barPaths';
import type { Presence } from './presence';

const nothing: BarShape = { kind: 'nothing' };
const here: BarShape = { kind: 'here' };
const aside: BarShape = { kind: 'setAside' };
const away: BarShape = { kind: 'away', excused: false };
const excused: BarShape = { kind: 'away', excused: true };

/** The sign for how a student was there; null is a lesson whose roll was not taken. */
export function barShape(presence: Presence | null): BarShape {
  if (!presence) return nothing;
  if (presence.setAside) return aside;
  if (!presence.there) return presence.excused ? excused : away;
  if (presence.minutesThere === presence.lessonMinutes && !presence.late && !presence.leftEarly) return here;
  return { kind: 'part', ...presence.there };
}
