import { View } from 'react-native';
import { presenceIn } from '@slate-path/core/roll/totals';
import type { WatchItem } from '@slate-path/core/watch/watchList';
import { dayMonth } from '../../parts/dates';
import { PresenceBar } from '../../parts/PresenceBar';
import { Words } from '../../parts/Words';
import { rollBook, useAllLessons } from '../lesson/lessons';
import { barShape } from '../lesson/barShape';
import { useRecords } from '../records/useRecords';

const mostShown = 24;

/** The last lessons taken as a string of bars, oldest first: the proof beside the sentence. */
export function Evidence({ item }: { item: WatchItem }) {
  const lessons = useAllLessons();
  const book = useRecords((state) => rollBook(state.current));
  const recent = lessons
    .filter((l) => l.sectionId === item.sectionId && l.takenAt !== null && !l.setAside)
    .slice(-mostShown)
    .map((lesson) => ({ lesson, presence: presenceIn(lesson, item.studentId, book) }));
  const missed = recent.filter(({ presence }) => presence?.away).length;
  const first = recent[0];
  if (!first) return null;
  return (
    <View
      style={{ gap: 4 }}
      role="img"
      aria-label={`The last ${recent.length} lessons taken, ${missed} of them missed`}
    >
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 4 }}>
        {recent.map(({ lesson, presence }) => (
          <PresenceBar key={lesson.id} shape={barShape(presence)} width={24} height={10} />
        ))}
      </View>
      <Words size="small" tone="inkQuiet">
        {`${recent.length} lessons taken, ${dayMonth(first.lesson.date)} to ${dayMonth(recent.at(-1)?.lesson.date ?? first.lesson.date)}`}
      </Words>
    </View>
  );
}
