import { localMoment } from '../../calendar/zone';
import type { WrittenMoment } from './moment';
import type { Participant, ParticipantReading } from './readParticipants';

const day = 86_400;

/**
 * A moment of another zone on the school's clock. A moment that names no zone is on that of the list,
 * or already on the school's.
 * @param listOffset minutes east of UTC of all the list's times; null where it says nothing
 * @param zone IANA name of the school's @param onDate the day of a moment without a date; null leaves it as it is
 */
export function onSchoolClock(
  moment: WrittenMoment,
  listOffset: number | null,
  zone: string,
  onDate: string | null,
): WrittenMoment {
  const offset = moment.offset ?? listOffset;
  const date = moment.date ?? onDate;
  if (offset === null || date === null) return moment;
  const instant = Date.parse(`${date}T00:00:00Z`) + (moment.seconds - offset * 60) * 1000;
  const local = localMoment(instant, zone);
  const [hours, minutes] = local.time.split(':').map(Number) as [number, number];
  // Offsets are whole minutes, so the seconds stay.
  const seconds = hours * 3600 + minutes * 60 + (((moment.seconds % 60) + 60) % 60);
  return { date: moment.date === null ? null : local.date, seconds: seconds % day, offset: null };
}

/** All of a list on the school's clock. */
export function participantsAtSchool(
  { participants, offset }: Pick<ParticipantReading, 'participants' | 'offset'>,
  zone: string,
  onDate: string | null,
): Participant[] {
  const moved = (moment: WrittenMoment | null) => moment && onSchoolClock(moment, offset, zone, onDate);
  return participants.map((found) => ({ ...found, joined: moved(found.joined), left: moved(found.left) }));
}

/** The days of a list, the one with most lines first; none where no line has a date. */
export function datesOf(participants: readonly Participant[]): string[] {
  const counts = new Map<string, number>();
  for (const { joined, left } of participants) {
    const date = joined?.date ?? left?.date;
    if (date) counts.set(date, (counts.get(date) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([date]) => date);
}
