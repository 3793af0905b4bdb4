import type { Lesson } from '@slate-path/core/records/schema';
import { useNow } from '../../sync/clock';
import { DueNotes, LessonNotes } from './LessonNotes';

/** Beside the roll: what was promised for today, and the lesson's notes. */
export default function SideNotes({ lesson }: { lesson: Lesson }) {
  const now = useNow();
  return (
    <>
      {lesson.date === now.date ? <DueNotes /> : null}
      <LessonNotes lesson={lesson} />
    </>
  );
}
