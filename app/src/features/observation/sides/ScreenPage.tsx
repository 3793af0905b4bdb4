import { useLocalSearchParams } from 'expo-router';
import { View } from 'react-native';
import { lessonNow } from '@slate-path/core/calendar/lessonNow';
import { Words } from '../../../parts/Words';
import { useNow } from '../../../sync/clock';
import { useLastHeard } from '../../../sync/account';
import { useSyncing } from '../../../sync/sync';
import { useRecords } from '../../../sync/useRecords';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { useAllLessons } from '../../attendance/lesson/lessons';
import { clockAt } from '../tone/toneOf';
import { BigBoard } from './BigBoard';
import { useScreenKeys } from './useScreenKeys';

/** The lesson that is asked for; else the one with a game that goes on today, else what is on now. */
function useShownLesson() {
  const { lesson: asked } = useLocalSearchParams<{ lesson?: string }>();
  const now = useNow();
  const lessons = useAllLessons();
  const games = useRecords(({ current }) => current.game);
  const known = useRecords(({ current }) => current.lesson);
  if (asked) return lessons.find(({ id }) => id === asked);
  const going = Object.values(games)
    .filter(
      ({ removed, endedAt, lessonId }) => !removed && endedAt === null && known[lessonId]?.date === now.date,
    )
    .sort((a, b) => (a.startedAt < b.startedAt ? 1 : -1))[0];
  return lessons.find(({ id }) => id === going?.lessonId) ?? lessonNow(lessons, now)?.lesson;
}

/** A window or a machine of its own that shows sides and tone, and follows whoever steers them. */
export default function ScreenPage() {
  const palette = usePalette();
  useSyncing();
  const lesson = useShownLesson();
  const section = useRecords(({ current }) => current.section[lesson?.sectionId ?? '']?.name);
  const lost = useLastHeard();
  useScreenKeys(lesson);
  return (
    <View
      role="main"
      style={{
        flex: 1,
        backgroundColor: palette.ground,
        padding: space(4),
        gap: space(2),
        overflow: 'hidden',
      }}
    >
      <View style={{ flexDirection: 'row', gap: space(4) }}>
        <Words size="large" tone="inkQuiet" style={{ flex: 1 }} heading={1} lines={1}>
          {section ?? 'Big screen'}
        </Words>
        {lost === null ? null : (
          <Words size="large" tone="ember" live>
            {`Connection lost at ${clockAt(lost)}. What is given meanwhile comes by itself.`}
          </Words>
        )}
      </View>
      {lesson ? (
        <BigBoard lessonId={lesson.id} />
      ) : (
        <Words size="title" serif>
          No lesson is on. This page shows the next one as soon as it begins.
        </Words>
      )}
    </View>
  );
}
