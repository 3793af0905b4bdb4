import { useState } from 'react';
import { View } from 'react-native';
import type { Lesson } from '@slate-path/core/records/schema';
import { wasHeld } from '@slate-path/core/attendance/roll/totals';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { shortDay } from '../../../parts/dates';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { historyOf, useAllLessons } from '../lesson/lessons';
import { useNow } from '../../../sync/clock';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { listMarks, moveList } from './recordList';

/** As many lessons before and after are offered. */
const nearby = 4;

/** Where a list was recorded in the wrong lesson: its marks go to the right one. */
export function MoveList({ lesson, onMoved }: { lesson: Lesson; onMoved: () => void }) {
  const now = useNow();
  const current = useRecords((state) => state.current);
  const own = useAllLessons().filter(
    (other) => other.sectionId === lesson.sectionId && !other.setAside && wasHeld(other, now),
  );
  const [toId, setToId] = useState('');
  const [moved, setMoved] = useState<Lesson | null>(null);
  const marks = listMarks(current, lesson.id);
  const at = own.findIndex(({ id }) => id === lesson.id);
  const offered = own.slice(Math.max(at - nearby, 0), at + nearby + 1).filter(({ id }) => id !== lesson.id);
  const to = offered.find(({ id }) => id === toId);
  if (moved)
    return (
      <Card style={{ gap: space(2), flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap' }}>
        <Words bold live>{`Moved to ${shortDay(moved.date)}, ${moved.startsAt}.`}</Words>
        <TakeBack about={historyOf(moved)} />
      </Card>
    );
  if (marks.length === 0 || offered.length === 0) return null;
  return (
    <Card style={{ gap: space(2) }}>
      <Words size="large" serif heading={2}>
        In the wrong lesson?
      </Words>
      <Words tone="inkQuiet">
        {`${marks.length} ${marks.length === 1 ? 'mark' : 'marks'} of this lesson came from a list. They can go to the lesson they belong to.`}
      </Words>
      <Choice
        name="The right lesson"
        value={toId}
        options={offered.map(({ id, date, startsAt }) => ({
          value: id,
          label: `${shortDay(date)}, ${startsAt}`,
        }))}
        onChange={setToId}
      />
      {to ? (
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label={`Move to ${shortDay(to.date)}`}
            kind="main"
            onPress={() => {
              moveList(lesson, to, useRecords.getState().current);
              setMoved(to);
              onMoved();
            }}
          />
        </View>
      ) : null}
    </Card>
  );
}
