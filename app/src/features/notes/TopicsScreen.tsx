import X from 'lucide-react-native/icons/x';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { addressOf } from '@slate-path/core/api/address';
import { many } from '@slate-path/core/words/many';
import { addDays } from '@slate-path/core/calendar/localTime';
import { standingTopics, topicNow } from '@slate-path/core/notes/topics';
import type { Topic } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { Empty } from '../../parts/Empty';
import { IconAction } from '../../parts/IconAction';
import { Words } from '../../parts/Words';
import { usePalette, useWide } from '../../theme/theme';
import { rowHeight, space } from '../../theme/tokens';
import { useNow } from '../../sync/clock';
import { makeChange, newId } from '../../sync/outbox';
import { TakeBack } from '../../sync/TakeBack';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';
import { WatchPage } from '../watch/lazyWatchPage';
import { topicsHistory } from './write';

const weeks = 4;

/** Topics, how often notes touch them, and words that could be one. */
export function TopicsScreen() {
  const router = useRouter();
  const wide = useWide();
  const now = useNow();
  const topics = useRecords((state) => state.current.topic);
  const since = addDays(now.date, -7 * weeks);
  const { answer } = useView(addressOf('topicCounts', { since }));
  const standing = standingTopics(topics);
  const countOf = (id: string) => {
    const own = (answer?.counts ?? []).filter(({ topicId }) => topicNow(topics, topicId)?.id === id);
    const sum = (field: 'notes' | 'recent') => own.reduce((total, count) => total + count[field], 0);
    return { notes: sum('notes'), recent: sum('recent') };
  };
  const make = () => {
    router.push({ pathname: '/topics/[topicId]', params: { topicId: 'new' } });
  };
  return (
    <WatchPage
      page="Topics"
      note="What notes are about; found in all forms of their words"
      tools={<TakeBack about={topicsHistory} />}
      main={standing.length > 0 ? { label: 'New topic', onPress: make } : undefined}
    >
      {standing.length === 0 ? (
        <Empty
          title="Your topics will stand here"
          action={<Action label="New topic" kind="main" onPress={make} />}
        >
          A topic is what several notes have in common: a skill, a habit, a trouble. It may be made long after
          the first note: those that speak of it are found.
        </Empty>
      ) : null}
      <View
        style={{
          flexDirection: wide ? 'row' : 'column',
          gap: space(6),
          alignItems: wide ? 'flex-start' : 'stretch',
        }}
      >
        {standing.length > 0 ? (
          <Card style={{ padding: 0, flex: wide ? 1 : undefined }}>
            {standing.map((topic) => (
              <TopicRow key={topic.id} topic={topic} {...countOf(topic.id)} />
            ))}
          </Card>
        ) : null}
        <Suggestions />
      </View>
    </WatchPage>
  );
}

function TopicRow({ topic, notes, recent }: { topic: Topic; notes: number; recent: number }) {
  const palette = usePalette();
  const router = useRouter();
  const { id, name, trouble, alsoCalled } = topic;
  const count = `${recent} in ${weeks} weeks, ${notes} in all`;
  return (
    <TouchableRipple
      role="link"
      aria-label={`${name}${trouble ? ', a trouble' : ''}: ${count}`}
      onPress={() => {
        router.push({ pathname: '/topics/[topicId]', params: { topicId: id } });
      }}
      style={{
        minHeight: rowHeight,
        justifyContent: 'center',
        paddingHorizontal: space(4),
        paddingVertical: space(2),
        borderBottomWidth: 1,
        borderColor: palette.line,
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(3) }}>
        <View style={{ flex: 1 }}>
          <Words size="name">{name}</Words>
          {trouble || alsoCalled.length > 0 ? (
            <Words size="small" tone={trouble ? 'clay' : 'inkQuiet'}>
              {[trouble ? 'a trouble' : '', alsoCalled.length > 0 ? `also: ${alsoCalled.join(', ')}` : '']
                .filter(Boolean)
                .join(' · ')}
            </Words>
          ) : null}
        </View>
        <Words size="small" tone="inkQuiet" figures>
          {count}
        </Words>
      </View>
    </TouchableRipple>
  );
}

/** Words that came up often before this week and are no topic yet. */
function Suggestions() {
  const router = useRouter();
  const { answer } = useView(addressOf('suggestedTopics'));
  const passed = useRecords((state) => state.current.passedWord);
  const out = new Set(Object.values(passed).flatMap(({ word, removed }) => (removed ? [] : [word])));
  const words = (answer?.words ?? []).filter(({ word }) => !out.has(word));
  if (words.length === 0) return null;
  return (
    <View style={{ gap: space(2), flex: 1, maxWidth: 460 }}>
      <Words size="large" serif heading={2}>
        Come up often
      </Words>
      <Words tone="inkQuiet">In the notes of the eight weeks before this one; anew every Monday.</Words>
      {words.map(({ word, notes, students }) => (
        <View key={word} style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
          <View style={{ flex: 1 }}>
            <Words bold>{word}</Words>
            <Words size="small" tone="inkQuiet" figures>
              {`${many(notes, 'note')}, ${many(students, 'student')}`}
            </Words>
          </View>
          <Action
            label="Make it a topic"
            name={`Make ${word} a topic`}
            onPress={() => {
              router.push({ pathname: '/topics/[topicId]', params: { topicId: 'new', name: word } });
            }}
          />
          <IconAction
            name={`Do not offer ${word} again`}
            icon={X}
            onPress={() => {
              makeChange('topic.pass', { id: newId(), word }, topicsHistory);
            }}
          />
        </View>
      ))}
    </View>
  );
}
