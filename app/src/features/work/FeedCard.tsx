import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { many } from '@slate-path/core/words/many';
import { feedWords, whenAt, type Here } from '@slate-path/core/work/feed/feedWords';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { lazily } from '../../parts/lazily';
import { Words } from '../../parts/Words';
import { errorsOf, useTry } from '../../forms/useTry';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { post } from '../../sync/api';
import { takeBackThere } from '../../sync/outbox';
import { renewViews } from '../../sync/views';
import type { Feed } from './feed';
import { FeedForm } from './FeedForm';

const More = lazily(() => import('../../parts/More'));

interface FeedCardProps {
  sectionId: string;
  feed: Feed;
  here: Here;
}

/** A platform that is asked: how it stands, what came, and what can be done about it. */
export function FeedCard({ sectionId, feed, here }: FeedCardProps) {
  const [changing, setChanging] = useState(false);
  const [came, setCame] = useState('');
  const [run, problem, busy] = useTry();
  const words = feedWords(feed, here);
  const of = { sectionId, feedId: feed.id };
  const ask = (fromBeginning: boolean) => {
    run(async () => {
      const { added, failure, more } = await post(addressOf('askFeed', of), { fromBeginning });
      setCame(failure === null ? `${many(added, 'new action')}${more ? ', and more is coming' : ''}.` : '');
      renewViews();
    });
  };
  const end = () => {
    run(async () => {
      await post(addressOf('endFeed', of));
      renewViews();
    });
  };
  const isAsking = busy || feed.isAsking;
  return (
    <Card style={{ gap: space(3), maxWidth: 760 }}>
      <View style={{ flexDirection: 'row', alignItems: 'flex-start', gap: space(2) }}>
        <View style={{ flex: 1, gap: space(1) }}>
          <Words size="large" serif heading={2}>
            {feed.name}
          </Words>
          <Words figures>{words.state}</Words>
          {words.trouble === null ? null : (
            <Words tone="ember" figures live>
              {words.trouble}
            </Words>
          )}
          {words.aside.map((line) => (
            <Words key={line} size="small" tone="inkQuiet" figures>
              {line}
            </Words>
          ))}
          {came && words.trouble === null ? <Words live>{came}</Words> : null}
          {problem ? (
            <Words tone="ember" live>
              {errorsOf(problem).whole ?? problem.detail}
            </Words>
          ) : null}
        </View>
        <More
          name={`More: ${feed.name}`}
          title={feed.name}
          groups={[
            {
              title: 'How it is asked',
              items: [
                {
                  label: 'Change how it is asked',
                  note: feed.address,
                  onPress: () => {
                    setChanging(true);
                  },
                },
                {
                  label: 'Ask from the beginning',
                  note: 'For all that it has; what is here already stays once',
                  onPress: () => {
                    ask(true);
                  },
                },
                {
                  label: 'Ask it no more',
                  note: 'What came from it stays; its password is forgotten',
                  onPress: end,
                },
              ],
            },
          ]}
        />
      </View>
      {changing ? (
        <FeedForm
          sectionId={sectionId}
          feed={feed}
          onDone={() => {
            setChanging(false);
            renewViews();
          }}
          onCancel={() => {
            setChanging(false);
          }}
        />
      ) : (
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label={isAsking ? 'Asking it…' : 'Ask it now'}
            name={`${isAsking ? 'Asking it…' : 'Ask it now'} ${feed.name}`}
            kind="main"
            disabled={isAsking}
            onPress={() => {
              ask(false);
            }}
          />
        </View>
      )}
      <Rounds feed={feed} here={here} />
    </Card>
  );
}

/** The last times that something came, each to be taken back as one. */
function Rounds({ feed: { rounds }, here }: Pick<FeedCardProps, 'feed' | 'here'>) {
  const palette = usePalette();
  const [gone, setGone] = useState<ReadonlySet<string>>(new Set());
  if (rounds.length === 0) return null;
  return (
    <View>
      <Words size="small" tone="inkQuiet" heading={3}>
        What came last
      </Words>
      {rounds.map(({ changeId, at, actions, handIns, also, isTakenBack }) => {
        const when = whenAt(at, here);
        const came = [
          actions > 0 ? many(actions, 'action') : '',
          handIns > 0 ? many(handIns, 'hand-in') : '',
        ].filter(Boolean);
        const what = came.length === 0 ? 'some were taken away' : came.join(', ');
        return (
          <View
            key={changeId}
            style={{
              flexDirection: 'row',
              alignItems: 'center',
              gap: space(2),
              minHeight: space(12),
              borderBottomWidth: 1,
              borderColor: palette.line,
            }}
          >
            <Words figures style={{ flex: 1 }}>{`${when}: ${what}`}</Words>
            {isTakenBack || gone.has(changeId) ? (
              <Words size="small" tone="inkQuiet">
                taken back
              </Words>
            ) : came.length > 0 ? (
              <Action
                label="Take back"
                name={`Take back what came at ${when}`}
                onPress={() => {
                  [changeId, ...also].forEach(takeBackThere);
                  setGone(new Set([...gone, changeId]));
                }}
              />
            ) : null}
          </View>
        );
      })}
    </View>
  );
}
