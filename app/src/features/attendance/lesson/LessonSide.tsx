import X from 'lucide-react-native/icons/x';
import { ScrollView, View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Lesson } from '@slate-path/core/records/schema';
import { IconAction } from '../../../parts/IconAction';
import { lazily } from '../../../parts/lazily';
import { SideNotes } from '../../notes/lazyPages';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { longDay } from '../../../parts/dates';
import { useHasCheckIns } from '../checkIn/useRoundUp';
import type { LessonRow } from './lessonRow';
import { LessonList } from './LessonList';

const CheckInPanel = lazily(() => import('../checkIn/CheckInPanel'));
const MarkDetail = lazily(() => import('./MarkDetail'));

interface LessonSideProps {
  lesson: Lesson;
  lessons: readonly Lesson[];
  untaken: readonly Lesson[];
  open: LessonRow | undefined;
  onGo: (lesson: Lesson) => void;
  onClose: () => void;
  onOpen: (studentId: string) => void;
}

/** Beside the roll on a wide screen: the student that is open, else the day and what was forgotten. */
export default function LessonSide({
  lesson,
  lessons,
  untaken,
  open,
  onGo,
  onClose,
  onOpen,
}: LessonSideProps) {
  const palette = usePalette();
  const checkedIn = useHasCheckIns(lesson.id);
  const sameDay = lessons.filter(({ date }) => date === lesson.date);
  return (
    <ScrollView
      style={{
        flex: 1,
        backgroundColor: palette.surface,
        borderLeftWidth: 1,
        borderColor: palette.line,
      }}
      contentContainerStyle={{ padding: space(5), gap: space(3) }}
    >
      {open ? (
        <>
          <View style={{ flexDirection: 'row' }}>
            <View style={{ flex: 1 }}>
              <Words size="large" serif heading={2}>
                {displayName(open.student)}
              </Words>
            </View>
            <IconAction name="Close" icon={X} onPress={onClose} />
          </View>
          <MarkDetail key={open.student.id} lesson={open.lesson} row={open} />
        </>
      ) : (
        <>
          <Words size="large" serif heading={2}>
            {longDay(lesson.date)}
          </Words>
          <LessonList lessons={sameDay} chosen={lesson.id} timesOnly onGo={onGo} />
          {checkedIn ? <CheckInPanel lesson={lesson} onOpen={onOpen} /> : null}
          <SideNotes lesson={lesson} />
          {untaken.length > 0 ? (
            <>
              <View style={{ height: space(2) }} />
              <Words size="large" serif heading={2}>
                {`Not taken: ${untaken.length}`}
              </Words>
              <LessonList lessons={untaken} chosen={lesson.id} onGo={onGo} />
            </>
          ) : null}
        </>
      )}
    </ScrollView>
  );
}
