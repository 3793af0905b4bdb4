import { useMemo } from 'react';
import { ScrollView, View } from 'react-native';
import type { LocalMoment } from '@slate-path/core/calendar/zone';
import { displayName } from '@slate-path/core/people/names';
import type { Lesson } from '@slate-path/core/records/schema';
import { useRouter } from 'expo-router';
import { Action } from '../../../parts/Action';
import { Empty } from '../../../parts/Empty';
import { usePalette, useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { useRecords } from '../../../sync/useRecords';
import { setAside, tapMoment, tapStudent } from './marking';
import type { LessonRow } from './lessonRow';
import { Board } from '../../../parts/Board';
import { rollShape } from './keptShape';
import { StudentOnRoll } from './StudentOnRoll';
import { useShownNames } from './useShownNames';

interface RollProps {
  lesson: Lesson;
  /** The other lesson where two classes are on this roll: each row says which. */
  partner: Lesson | undefined;
  rows: readonly LessonRow[];
  now: LocalMoment;
  onMore: (studentId: string) => void;
}

/** The class, one tap a student: all of it on a board, or a list of full names. */
export function Roll({ lesson, partner, rows, now, onMore }: RollProps) {
  const palette = usePalette();
  const wide = useWide();
  const shape = rollShape.use();
  const names = useShownNames(rows);
  const router = useRouter();
  const sections = useRecords((state) => state.current.section);
  // The same object until the lesson or the minute changes, so that a mark draws no other row again.
  const moments = useMemo(
    () => new Map((partner ? [lesson, partner] : [lesson]).map((own) => [own.id, tapMoment(own, now)])),
    [lesson, partner, now],
  );
  if (lesson.setAside)
    return (
      <View style={{ flex: 1, padding: space(4) }}>
        <Empty
          title="This lesson is set aside"
          action={
            <Action
              label="Count it again"
              kind="main"
              onPress={() => {
                setAside(lesson, false);
              }}
            />
          }
        >
          {`It counts for nobody${lesson.label ? `: ${lesson.label}` : ''}. Marks made before are kept.`}
        </Empty>
      </View>
    );
  if (rows.length === 0)
    return (
      <View style={{ flex: 1, padding: space(4) }}>
        <Empty
          title="Nobody is in this class yet"
          action={
            <Action
              label="Bring a roster"
              kind="main"
              onPress={() => {
                router.push({
                  pathname: '/classes/[sectionId]/roster',
                  params: { sectionId: lesson.sectionId },
                });
              }}
            />
          }
        >
          The students stand here once they are in the class: from a file, pasted from anywhere, or typed.
        </Empty>
      </View>
    );
  const student = (row: LessonRow, height: number | null) => {
    const { student: one, lesson: own } = row;
    return (
      <StudentOnRoll
        key={`${own.id} ${one.id}`}
        lesson={own}
        className={partner ? (sections[own.sectionId]?.name ?? '') : ''}
        student={one}
        name={wide ? displayName(one) : (names.get(one.id) ?? displayName(one))}
        height={height}
        moment={moments.get(own.id) ?? tapMoment(own, now)}
        onTap={tapStudent}
        onMore={onMore}
      />
    );
  };
  if (shape === 'board')
    return <Board name="Roll" tiles={rows} tile={(row, { height }) => student(row, height)} />;
  return (
    <ScrollView style={{ flex: 1, backgroundColor: palette.ground }}>
      <View role="group" aria-label="Roll" style={wide ? { alignSelf: 'center', width: listWidth } : null}>
        {rows.map((row) => student(row, null))}
      </View>
    </ScrollView>
  );
}

/** On a wide screen a row is no longer than the eye follows. */
const listWidth = 620;
