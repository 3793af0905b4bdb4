import { displayName } from '@slate-path/core/people/names';
import type { Lesson } from '@slate-path/core/records/schema';
import { longDay } from '../../../parts/dates';
import { Sheet } from '../../../parts/Sheet';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { TallyList } from './TallyList';

interface TallySheetProps {
  lesson: Lesson;
  rows: readonly LessonRow[];
  onClose: () => void;
}

/** What was seen in a lesson, opened from its line. */
export default function TallySheet({ lesson, rows, onClose }: TallySheetProps) {
  const names = new Map(rows.map(({ student }) => [student.id, displayName(student)]));
  return (
    <Sheet title="What was seen" note={longDay(lesson.date)} onClose={onClose}>
      <TallyList lesson={lesson} rows={rows} names={names} most={200} />
    </Sheet>
  );
}
