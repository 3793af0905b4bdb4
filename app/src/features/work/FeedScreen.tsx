import { useLocalSearchParams } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import { personKey } from '@slate-path/core/attendance/participants/personKey';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { Empty } from '../../parts/Empty';
import { Page } from '../../parts/Page';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { useNow, zoneOf } from '../../sync/clock';
import { useAsking } from '../../sync/useAsking';
import { useRecords } from '../../sync/useRecords';
import { useSectionName } from '../../sync/sections';
import { renewViews, useView } from '../../sync/views';
import { EntryQuestions } from '../attendance/participants/lazyEntryQuestions';
import { keptAnswers, type Answers } from '../attendance/participants/keptAnswers';
import { useClassList } from '../people/class/ofClass';
import type { Feed } from './feed';
import { FeedCard } from './FeedCard';
import { FeedForm } from './FeedForm';
import { rememberAnswers } from './rememberAnswers';

/** So often the page looks how the asking stands. */
const lookAgainMs = 15_000;

/** The platforms that are asked for what is done elsewhere: how each stands, and who in them is not known here. */
export function FeedScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const name = useSectionName(sectionId);
  const now = useNow();
  const zone = useRecords(({ current }) => zoneOf(Object.values(current.school)[0]));
  const asking = useAsking('what comes in by itself');
  const { answer } = useView(addressOf('feeds', { sectionId }));
  const [adding, setAdding] = useState(false);
  useEffect(() => {
    const timer = setInterval(renewViews, lookAgainMs);
    return () => {
      clearInterval(timer);
    };
  }, []);
  const feeds = answer?.feeds;
  const here = { now, zone };
  return (
    <Page
      title="From a platform"
      tab={`From a platform, ${name}`}
      note={name}
      back={{
        to: { pathname: '/classes/[sectionId]/work', params: { sectionId } },
        name: 'Work and activity',
      }}
    >
      {feeds === undefined ? <Words tone="inkQuiet">{asking}</Words> : null}
      {feeds?.length === 0 && !adding ? (
        <Empty
          title="Nothing comes in by itself yet"
          action={
            <Action
              label="Add a platform"
              kind="main"
              onPress={() => {
                setAdding(true);
              }}
            />
          }
        >
          A learning platform that keeps a record store (xAPI) can be asked every few minutes for what the
          students of this class did there. What comes in this way stands on the page of the class as what
          comes from a file.
        </Empty>
      ) : null}
      {feeds?.map((feed) => (
        <FeedCard key={feed.id} sectionId={sectionId} feed={feed} here={here} />
      ))}
      {feeds ? <Strangers sectionId={sectionId} feeds={feeds} /> : null}
      {adding ? (
        <Card style={{ gap: space(3), maxWidth: 640 }}>
          <Words size="large" serif heading={2}>
            A platform to ask
          </Words>
          <FeedForm
            sectionId={sectionId}
            onDone={() => {
              setAdding(false);
              renewViews();
            }}
          />
        </Card>
      ) : feeds && feeds.length > 0 ? (
        <Action
          style={{ alignSelf: 'flex-start' }}
          label="Add another platform"
          onPress={() => {
            setAdding(true);
          }}
        />
      ) : null}
    </Page>
  );
}

/** Those of the platforms whom nobody knows here: each is settled once, and then what they did before comes too. */
function Strangers({ sectionId, feeds }: { sectionId: string; feeds: readonly Feed[] }) {
  const { present, gone } = useClassList(sectionId);
  const students = useMemo(() => [...present, ...gone].map(({ student }) => student), [present, gone]);
  const kept = useRecords((records) => records.current);
  const answers = useMemo(() => keptAnswers(kept, sectionId), [kept, sectionId]);
  const questions = feeds.flatMap(({ strangers }) =>
    strangers.map(({ candidates, actions, ...person }, index) => ({
      lines: [{ ...person, line: index }],
      candidates,
      said: many(actions, 'action'),
    })),
  );
  const waiting = questions.filter(({ lines: [first] }) => first && answers.get(personKey(first))).length;
  return (
    <>
      <EntryQuestions
        questions={questions.filter(({ lines: [first] }) => first && answers.get(personKey(first)) !== null)}
        students={students}
        answers={answers}
        onAnswer={(entry, studentId) => {
          if (studentId === undefined) return;
          const answered: Answers = new Map([[entry, studentId]]);
          rememberAnswers(sectionId, answered);
        }}
      />
      {waiting > 0 ? (
        <Words live>The platform is asked for what they did; it comes in a moment.</Words>
      ) : null}
    </>
  );
}
