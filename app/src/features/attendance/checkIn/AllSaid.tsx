import { useMemo } from 'react';
import { markId } from '@slate-path/core/attendance/roll/markId';
import { useRecords } from '../../../sync/useRecords';
import { Said } from './Said';

/** Everything said for a student on coming in to a lesson: the first, and what other devices said later. */
export function AllSaid({ lessonId, studentId }: { lessonId: string; studentId: string }) {
  const first = useRecords((state) => state.current.checkIn[markId(lessonId, studentId)]);
  const others = useRecords((state) => state.current.otherCheckIn);
  const all = useMemo(() => {
    const beside = Object.values(others)
      .filter((other) => other.lessonId === lessonId && other.studentId === studentId)
      .sort((a, b) => (a.at < b.at ? -1 : 1));
    return [...(first ? [first] : []), ...beside].filter(({ removed }) => !removed);
  }, [first, others, lessonId, studentId]);
  return all.map((checkIn) => <Said key={checkIn.id} checkIn={checkIn} />);
}
