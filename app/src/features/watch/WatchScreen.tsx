import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import { groupBy } from '@slate-path/core/records/groupBy';
import type { WatchItem } from '@slate-path/core/watch/watchList';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { dayMonth } from '../../parts/dates';
import { Empty } from '../../parts/Empty';
import { Page } from '../../parts/Page';
import { Words } from '../../parts/Words';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { useRecords } from '../records/useRecords';
import { useView } from '../records/views';
import { NoteLinks } from '../notes/NoteLinks';
import { Evidence } from './Evidence';

type Shown = 'absent' | 'over_a_line';

function concernWords(item: WatchItem): string {
  const since = `since ${dayMonth(item.since)}`;
  return item.concern === 'absent' ? `absent, ${since}` : `over a line, ${since}`;
}

/** One student, with what is said of each class. */
function Concern({ items }: { items: readonly WatchItem[] }) {
  const router = useRouter();
  const studentId = items[0]?.studentId ?? '';
  const student = useRecords((state) => state.current.student[studentId]);
  const sections = useRecords((state) => state.current.section);
  if (!student) return null;
  return (
    <Card style={{ gap: space(2) }}>
      <Words size="large" serif heading={2}>
        {displayName(student)}
      </Words>
      {items.map((item) => (
        <View key={item.sectionId} style={{ gap: space(1), marginBottom: space(2) }}>
          <View
            style={{
              flexDirection: 'row',
              flexWrap: 'wrap',
              columnGap: space(2),
              justifyContent: 'space-between',
            }}
          >
            <Words bold tone={item.concern === 'absent' ? 'ember' : 'inkQuiet'}>
              {concernWords(item)}
            </Words>
            <Words tone="inkQuiet">{sections[item.sectionId]?.name ?? ''}</Words>
          </View>
          <Words>{item.sentence}</Words>
          <Evidence item={item} />
        </View>
      ))}
      <View style={{ alignItems: 'flex-start', marginLeft: -space(4), marginBottom: -space(2) }}>
        <Action
          label="Open path"
          name={`Open the path of ${displayName(student)}`}
          kind="plain"
          onPress={() => {
            router.push({ pathname: '/students/[studentId]', params: { studentId } });
          }}
        />
      </View>
    </Card>
  );
}

/** Who needs me: who misses too much, since when, and why we say so. */
export function WatchScreen() {
  const wide = useWide();
  const { state, answer } = useView<{ items: WatchItem[] }>('/api/watch');
  const [shown, setShown] = useState<Shown>('absent');
  const items = answer?.items ?? [];
  // Strongest first, for the items are; a student stands once, with every class.
  const of = (concern: Shown) => [
    ...groupBy(
      items.filter((item) => item.concern === concern),
      (item) => item.studentId,
    ).values(),
  ];
  const list = of(shown);
  // From left to right, so that the strongest stand on top of both columns.
  const columns = wide ? [0, 1].map((side) => list.filter((_, index) => index % 2 === side)) : [list];
  return (
    <Page
      title="Who needs me"
      note={state === 'loading' ? 'Asking the server…' : 'From the lessons taken this term'}
      tools={<NoteLinks />}
    >
      <Choice<Shown>
        name="Which"
        value={shown}
        options={[
          { value: 'absent', label: `Absent ${of('absent').length}` },
          { value: 'over_a_line', label: `Over a line ${of('over_a_line').length}` },
        ]}
        onChange={setShown}
      />
      {shown === 'over_a_line' && list.length > 0 ? (
        <Words tone="inkQuiet">
          These are over a line of 5, 10 or 20 % missed, but it may well be chance: students whose usual is
          below it cross it now and then.
        </Words>
      ) : null}
      {list.length === 0 && state !== 'loading' ? (
        <Empty title={shown === 'absent' ? 'Nobody misses too much' : 'Nobody is over a line'}>
          Students stand here who have surely missed over 5, 10 or 20 % of the lessons taken, from 15 lessons
          on, or three in a row. Lessons whose roll was not taken count nowhere.
        </Empty>
      ) : null}
      <View style={{ flexDirection: 'row', gap: space(4), alignItems: 'flex-start' }}>
        {columns.map((column, index) => (
          <View key={index} style={{ flex: 1, gap: space(3) }}>
            {column.map((found) => (
              <Concern key={found[0]?.studentId} items={found} />
            ))}
          </View>
        ))}
      </View>
    </Page>
  );
}
