import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { Lesson } from '@slate-path/core/records/schema';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { NoLookFors } from '../tallies/NoLookFors';
import { useFocus } from '../tallies/useFocus';
import { CircleResult } from './CircleResult';
import { CircleRound } from './CircleRound';
import { CircleSetUp } from './CircleSetUp';
import { circlesOf } from './circles';

interface CirclePanelProps {
  lesson: Lesson;
  rows: readonly LessonRow[];
}

/** A discussion: who is in it, then the ring itself, then what each one gets back. */
export default function CirclePanel({ lesson, rows }: CirclePanelProps) {
  const current = useRecords((state) => state.current);
  const { focuses } = useFocus(lesson);
  useView(addressOf('circles', { sectionId: lesson.sectionId }));
  const [another, setAnother] = useState(false);
  if (focuses.length === 0) return <NoLookFors />;
  const all = circlesOf(current, lesson.sectionId);
  const here = all.find(({ lessonId }) => lessonId === lesson.id);
  const last = all.find((circle) => circle.endedAt !== null);
  return (
    <View style={{ flex: 1 }}>
      {here && here.endedAt === null ? (
        <CircleRound key={here.id} circle={here} lesson={lesson} rows={rows} />
      ) : here && !another ? (
        <CircleResult
          key={here.id}
          circle={here}
          onAnother={() => {
            setAnother(true);
          }}
        />
      ) : (
        <CircleSetUp
          lesson={lesson}
          rows={rows}
          last={last}
          onBegun={() => {
            setAnother(false);
          }}
        />
      )}
    </View>
  );
}
