import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { linkId } from '@slate-path/core/notes/linkId';
import { topicNow } from '@slate-path/core/notes/topics';
import type { Topic } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Page } from '../../parts/Page';
import { Words } from '../../parts/Words';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { makeChange, type Concerns } from '../../sync/outbox';
import { TakeBack } from '../../sync/TakeBack';
import { useRecords } from '../../sync/useRecords';
import { MergeTopicSheet, TopicSheet } from './TopicSheets';
import { NewTopic } from './NewTopic';
import { NoteDays } from './NoteDays';
import { Offers } from './Offers';
import { useOffers } from './useOffers';
import { anyNote } from './query';
import { useSearch } from './useSearch';
import { WhoElse } from './WhoElse';
import { topicsHistory } from './write';

/** A topic, and the notes that were marked with it: what *Take back* means on its page. */
const ofTopic =
  (topicId: string): Concerns =>
  ({ id }) =>
    id === topicId || id.endsWith(linkId('', topicId));

const back = { to: '/topics' as const, name: 'Topics' };

/** One topic: its notes, whom it touches, and earlier notes that speak of it; or a new one. */
export function TopicScreen() {
  const { topicId, name } = useLocalSearchParams<{ topicId: string; name?: string }>();
  const topics = useRecords((state) => state.current.topic);
  const topic = topicNow(topics, topicId);
  const concerns = useMemo(() => ofTopic(topicId), [topicId]);
  if (topicId === 'new') return <NewTopic key={name ?? ''} name={name ?? ''} />;
  if (!topic || topic.removed)
    return (
      <Page title="Topic" back={back} tools={<TakeBack about={topicsHistory} concerns={concerns} />}>
        <Words tone="inkQuiet">This topic is not here any more.</Words>
      </Page>
    );
  return <OpenTopic key={topic.id} topic={topic} />;
}

function OpenTopic({ topic }: { topic: Topic }) {
  const wide = useWide();
  const [sheet, setSheet] = useState<'change' | 'merge' | null>(null);
  const { hits, offline, more } = useSearch({ ...anyNote, topicId: topic.id });
  const concerns = useMemo(() => ofTopic(topic.id), [topic.id]);
  const offers = useOffers([topic.name, ...topic.alsoCalled], topic.id);
  const close = () => {
    setSheet(null);
  };
  const tools = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
      <TakeBack about={topicsHistory} concerns={concerns} />
      <Action
        label="Change"
        onPress={() => {
          setSheet('change');
        }}
      />
      <Action
        label="Merge"
        onPress={() => {
          setSheet('merge');
        }}
      />
      <Action
        label="Remove"
        onPress={() => {
          makeChange('topic.remove', { id: topic.id }, topicsHistory);
        }}
      />
    </View>
  );
  const kind = topic.trouble ? 'A trouble' : 'A topic';
  const also = topic.alsoCalled.length > 0 ? `, also called ${topic.alsoCalled.join(', ')}` : '';
  return (
    <Page title={topic.name} note={kind + also} back={back} tools={tools}>
      <View
        style={{
          flexDirection: wide ? 'row-reverse' : 'column',
          gap: space(6),
          alignItems: wide ? 'flex-start' : 'stretch',
        }}
      >
        <View style={{ width: wide ? 380 : undefined, gap: space(5) }}>
          <WhoElse topicId={topic.id} />
          <Offers
            offers={offers}
            onMark={(marks) => {
              makeChange(
                'topic.mark',
                { id: topic.id, marks: marks.map((mark) => ({ ...mark, removed: false })) },
                topicsHistory,
              );
            }}
            onLeave={(marks) => {
              // Cut off from the start, so that it is not offered again.
              makeChange(
                'topic.mark',
                { id: topic.id, marks: marks.map((mark) => ({ ...mark, removed: true })) },
                topicsHistory,
              );
            }}
          />
        </View>
        <View style={{ flex: wide ? 1 : undefined, gap: space(3) }}>
          {offline ? (
            <Words tone="inkQuiet">The server does not answer: only notes on this device.</Words>
          ) : null}
          {hits.length === 0 ? <Words tone="inkQuiet">No note is marked with it yet.</Words> : null}
          <NoteDays hits={hits} except={null} />
          {more ? <Action label="Show earlier ones" onPress={() => void more()} /> : null}
        </View>
      </View>
      {sheet === 'change' ? <TopicSheet topic={topic} onClose={close} /> : null}
      {sheet === 'merge' ? <MergeTopicSheet topic={topic} onClose={close} /> : null}
    </Page>
  );
}
