import { useMemo } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import { addDays } from '@slate-path/core/calendar/localTime';
import type { Lesson, Turn } from '@slate-path/core/records/schema';
import { countsOf } from '@slate-path/core/observation/tallies/counts';
import { timesHeard } from '@slate-path/core/observation/turns/heard';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';

/** Days that make up the week in which somebody was heard. */
const daysBack = 6;

const countsAddress = ({ sectionId, date }: Lesson) =>
  addressOf('counts', { sectionId, from: addDays(date, -daysBack), to: date });

/**
 * How often each was heard in the last seven days.
 * @param lessons the one in hand, and that of the class on the same roll, if there is one
 * @param turns of these lessons
 */
export function useHeard(
  lessons: readonly [Lesson, Lesson?],
  turns: readonly Turn[],
): { heard: Map<string, number>; known: boolean } {
  const [lesson, partner = lesson] = lessons;
  const own = useView(countsAddress(lesson));
  const others = useView(countsAddress(partner));
  const lookFors = useRecords(({ current }) => current.lookFor);
  const tallies = useRecords(({ current }) => current.tally);
  const heard = useMemo(() => {
    const here = new Set([lesson.id, partner.id]);
    const answers = partner === lesson ? [own.answer] : [own.answer, others.answer];
    // What is of this lesson is known here to the last tap; the server's answer may be older.
    const before = <T extends { lessonId: string }>(rows: readonly T[] = []) =>
      rows.filter(({ lessonId }) => !here.has(lessonId));
    const counts = countsOf(
      Object.values(tallies).filter(({ lessonId }) => here.has(lessonId)),
      lookFors,
    );
    const spokeNow = turns.filter(({ outcome }) => outcome === 'spoke');
    return timesHeard([...counts, ...answers.flatMap((answer) => before(answer?.counts))], lookFors, [
      ...spokeNow,
      ...answers.flatMap((answer) => before(answer?.spoke)),
    ]);
  }, [own.answer, others.answer, tallies, lookFors, turns, lesson, partner]);
  return { heard, known: own.state !== 'loading' && others.state !== 'loading' };
}
