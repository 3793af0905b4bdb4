import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import type { Lesson } from '@slate-path/core/records/schema';
import { shortDay } from '../../../parts/dates';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { rowHeight } from '../../../theme/tokens';
import { useRecords } from '../../../sync/useRecords';

interface LessonListProps {
  lessons: readonly Lesson[];
  /** The lesson that is open already. */
  chosen?: string;
  /** On today's list the day need not be said. */
  timesOnly?: boolean;
  onGo: (lesson: Lesson) => void;
}

/** Lessons to go to, one a row. */
export function LessonList({ lessons, chosen, timesOnly, onGo }: LessonListProps) {
  const palette = usePalette();
  const sections = useRecords((state) => state.current.section);
  return (
    <View>
      {lessons.map((lesson) => {
        const { id, sectionId, date, startsAt, takenAt } = lesson;
        const name = sections[sectionId]?.name ?? '';
        const state = lesson.setAside ? 'set aside' : takenAt ? 'taken' : 'not taken';
        return (
          <TouchableRipple
            key={id}
            role="button"
            aria-label={`${name}, ${shortDay(date)} ${startsAt}, ${state}`}
            aria-current={id === chosen ? 'true' : undefined}
            onPress={() => {
              onGo(lesson);
            }}
            style={{
              minHeight: rowHeight,
              justifyContent: 'center',
              borderBottomWidth: 1,
              borderColor: palette.line,
            }}
          >
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
              <View style={{ flex: 1 }}>
                <Words bold={id === chosen} lines={1}>
                  {name}
                </Words>
                <Words size="small" tone="inkQuiet" figures>
                  {timesOnly ? `${startsAt} to ${lesson.endsAt}` : `${shortDay(date)}, ${startsAt}`}
                </Words>
              </View>
              {timesOnly ? (
                <Words size="small" tone="inkQuiet">
                  {takenAt || lesson.setAside ? state : ''}
                </Words>
              ) : null}
            </View>
          </TouchableRipple>
        );
      })}
    </View>
  );
}
