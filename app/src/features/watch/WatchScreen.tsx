import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
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
import { Evidence } from './Evidence';

type Shown = 'absent' | 'over_a_line';

function concernWords(item: WatchItem): string {
  const since = `since ${dayMonth(item.since)}`;
  return item.concern === 'absent' ? `absent, ${since}` : `over a line, ${since}`;
}

function Concern({ item }: { item: WatchItem }) {
  const router = useRouter();
  const student = useRecords((state) => state.current.student[item.studentId]);
  const section = useRecords((state) => state.current.section[item.sectionId]);
  if (!student || !section) return null;
  return (
    <Card style={{ gap: space(2) }}>
      <View style={{ flexDirection: 'row', gap: space(2), alignItems: 'baseline' }}>
        <View style={{ flex: 1 }}>
          <Words size="large" serif heading={2}>
            {displayName(student)}
          </Words>
        </View>
        <Words size="small" tone="inkQuiet">
          {section.name}
        </Words>
      </View>
      <Words bold tone={item.concern === 'absent' ? 'ember' : 'inkQuiet'}>
        {concernWords(item)}
      </Words>
      <Words>{item.sentence}</Words>
      <Evidence item={item} />
      <View style={{ alignItems: 'flex-start', marginLeft: -space(3) }}>
        <Action
          label="Open path"
          name={`Open the path of ${displayName(student)}`}
          kind="plain"
          onPress={() => {
            router.push({ pathname: '/students/[studentId]', params: { studentId: item.studentId } });
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
  const of = (concern: Shown) => items.filter((item) => item.concern === concern);
  const list = of(shown);
  const half = Math.ceil(list.length / 2);
  const columns = wide ? [list.slice(0, half), list.slice(half)] : [list];
  return (
    <Page title="Who needs me" note={state === 'loading' ? 'Asking the server…' : 'From the lessons taken this term'}>
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
          These are over a line of 5, 10 or 20 % missed, but it may well be chance: students whose usual is below it cross it now
          and then.
        </Words>
      ) : null}
      {list.length === 0 && state !== 'loading' ? (
        <Empty title={shown === 'absent' ? 'Nobody misses too much' : 'Nobody is over a line'}>
          Students stand here who have surely missed over 5, 10 or 20 % of the lessons taken, from 15 lessons on, or three in a
          row. Lessons whose roll was not taken count nowhere.
        </Empty>
      ) : null}
      <View style={{ flexDirection: 'row', gap: space(4), alignItems: 'flex-start' }}>
        {columns.map((column, index) => (
          <View key={index} style={{ flex: 1, gap: space(3) }}>
            {column.map((item) => (
              <Concern key={`${item.studentId} ${item.sectionId}`} item={item} />
            ))}
          </View>
        ))}
      </View>
    </Page>
  );
}
