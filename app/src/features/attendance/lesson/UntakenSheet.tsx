import type { Lesson } from '@slate-path/core/records/schema';
import { Sheet } from '../../../parts/Sheet';
import { LessonList } from './LessonList';

interface UntakenSheetProps {
  lessons: readonly Lesson[];
  onGo: (lesson: Lesson) => void;
  onClose: () => void;
}

/** The lessons that are over without a roll. */
export default function UntakenSheet({ lessons, onGo, onClose }: UntakenSheetProps) {
  return (
    <Sheet
      title="Not taken"
      note="These lessons are over and nobody took the roll. They count for nobody until it is taken or they are set aside."
      onClose={onClose}
    >
      <LessonList
        lessons={lessons}
        onGo={(lesson) => {
          onClose();
          onGo(lesson);
        }}
      />
    </Sheet>
  );
}
