import { aimWords, feedbackOf } from '@slate-path/core/observation/circle/circleTable';
import { circleShares } from '@slate-path/core/observation/circle/shares';
import { shortName } from '@slate-path/core/people/names';
import type { Section } from '@slate-path/core/records/schema';
import type { CircleOnPage } from '@slate-path/core/sharing/readerPage/onPage';
import type { Hideable, OthersHidden } from '@slate-path/core/sharing/readerPage/othersHidden';
import { localMoment } from '@slate-path/core/calendar/zone';
import type { RecordReader } from '../../database/readRecords';

interface Asked {
  reader: RecordReader;
  madeBy: string;
  hidden: OthersHidden;
  from: string;
  to: string;
  /** IANA name of the school's. */
  zone: string;
  /** The classes that are told of. */
  sections: readonly Section[];
}

/** What a student was given back of each discussion that is over, the latest first. */
export function circlesOnPage(asked: Asked, student: Hideable): CircleOnPage[] {
  const { reader, madeBy, hidden, from, to, zone, sections } = asked;
  const told = new Set(sections.map(({ id }) => id));
  const circles = reader.seenBy(
    madeBy,
    'circle',
    'NOT "removed" AND "endedAt" IS NOT NULL AND "id" IN (SELECT "circleId" FROM "circleMember" WHERE "studentId" = ? AND NOT "removed") ORDER BY "startedAt" DESC',
    [student.id],
  );
  const lookFors = Object.fromEntries(reader.seenBy(madeBy, 'lookFor').map((one) => [one.id, one]));
  return circles.flatMap((circle): CircleOnPage[] => {
    const { date } = localMoment(Date.parse(circle.startedAt), zone);
    const ofIt = 'NOT "removed" AND "circleId" = ?';
    const members = reader.seenBy(madeBy, 'circleMember', ofIt, [circle.id]);
    const member = members.find(({ studentId }) => studentId === student.id);
    if (!member || date < from || date > to || !told.has(circle.sectionId)) return [];
    const tallies = reader.seenBy(madeBy, 'tally', ofIt, [circle.id]);
    const shares = circleShares(members, tallies, Object.values(lookFors));
    const share = shares.members.find(({ studentId }) => studentId === student.id);
    return [
      {
        date,
        feedback: hidden.textOf(feedbackOf({ member, calledName: shortName(student) }, shares, lookFors)),
        goal: aimWords(member.goalLookForId, member.goalCount, lookFors),
        isReached: share?.goal?.reached ?? false,
        nextGoal: aimWords(member.nextLookForId, member.nextCount, lookFors),
      },
    ];
  });
}
