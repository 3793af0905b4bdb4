import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { instantOf } from '@slate-path/core/calendar/zone';
import type { Circle, Lesson } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { allLessons } from '../../attendance/lesson/lessons';
import { now, zoneOf } from '../../../sync/clock';
import { makeChange } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { openElsewhere } from './openElsewhere';

interface Left {
  circle: Circle;
  of: Lesson;
}

/** A circle ends with its lesson, or now if that is earlier. */
function endWithLesson({ circle, of }: Left): void {
  const zone = zoneOf(Object.values(useRecords.getState().current.school)[0]);
  const end = Math.min(instantOf({ date: of.date, time: of.endsAt }, zone), now());
  const endedAt = new Date(Math.max(end, Date.parse(circle.startedAt))).toISOString();
  makeChange('circle.end', { id: circle.id, endedAt }, circle.id);
}

/** Asks about a circle that was left open in another lesson: nothing is counted into it unawares. */
export default function OpenCircle({ lessonId }: { lessonId: string }) {
  const palette = usePalette();
  const router = useRouter();
  const open = useRecords(({ current }) => openElsewhere(current, lessonId));
  const sections = useRecords(({ current }) => current.section);
  if (!open) return null;
  const of = allLessons(useRecords.getState().current).find(({ id }) => id === open.lessonId);
  if (!of) return null;
  const where = `${sections[of.sectionId]?.name ?? ''}, ${of.startsAt}`;
  return (
    <View
      role="alert"
      style={{
        padding: space(3),
        paddingHorizontal: space(4),
        gap: space(2),
        backgroundColor: palette.slateWash,
        borderBottomWidth: 1,
        borderColor: palette.line,
      }}
    >
      <Words>{`The circle of ${where} was left open. Everything in it is kept.`}</Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action
          label="End it"
          name="End it with its lesson"
          kind="main"
          onPress={() => {
            endWithLesson({ circle: open, of });
          }}
        />
        <Action
          label="Back to it"
          onPress={() => {
            router.replace({ pathname: '/lessons/[lessonId]', params: { lessonId: of.id, mode: 'circle' } });
          }}
        />
      </View>
    </View>
  );
}
