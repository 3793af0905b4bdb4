import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Page } from '../../parts/Page';
import { forgetTyped } from '../../parts/typed';
import { Words } from '../../parts/Words';
import { LinesSaid, ListSource } from '../../files/lazyListSource';
import { space } from '../../theme/tokens';
import { ApiProblem, postFile } from '../../sync/api';
import { makeChange, takeBackThere } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';
import { useSectionName } from '../../sync/sections';
import { renewViews } from '../../sync/views';
import { EntryQuestions } from '../attendance/participants/lazyEntryQuestions';
import type { Answers } from '../attendance/participants/keptAnswers';
import { useClassList } from '../people/class/ofClass';
import { Columns, PlannedPieces, summaryOf } from './BringParts';
import { rememberAnswers } from './rememberAnswers';
import { useBring, type Bring, type FileReading } from './useBring';
import { usePieces } from './usePiece';

const noNetwork = 'The server does not answer, and it reads the file. Nothing was changed; try again.';
const orders = [
  { value: 'day_first', label: 'The day comes first' },
  { value: 'month_first', label: 'The month comes first' },
] as const;
type Order = (typeof orders)[number]['value'];

/** What was taken in, and by which changes. */
interface Done {
  words: string;
  changeIds: string[];
}

/** What one change holds. */
const mostPieces = 400;
const mostHandIns = 5000;

/** A digest of a file: by it one is known again. Browsers make none where a page came without encryption. */
async function digestOf(file: Blob): Promise<string> {
  if (!isSecureContext) return '';
  const hash = await crypto.subtle.digest('SHA-256', await file.arrayBuffer());
  return [...new Uint8Array(hash)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

const nameOf = (file: Blob) => (file instanceof File ? file.name.slice(0, 200) : 'pasted');

/** Work and activity from a file: what becomes of it is shown before anything is kept. */
export function BringScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const router = useRouter();
  const name = useSectionName(sectionId);
  const { present, gone } = useClassList(sectionId);
  usePieces(sectionId);
  const students = useMemo(() => [...present, ...gone].map(({ student }) => student), [present, gone]);
  const [source, setSource] = useState<Blob | null>(null);
  const [reading, setReading] = useState<FileReading | null>(null);
  const [order, setOrder] = useState<Order | null>(null);
  const [answers, setAnswers] = useState<Answers>(new Map());
  const [problem, setProblem] = useState<string>();
  const [done, setDone] = useState<Done | null>(null);
  const [busy, setBusy] = useState(false);
  const bring = useBring(sectionId, reading, students, answers);
  const about = `work of ${sectionId}`;
  const attempt = async (what: () => Promise<void>) => {
    setProblem(undefined);
    setBusy(true);
    try {
      await what();
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      setProblem(error.status === 0 ? noNetwork : error.detail);
    } finally {
      setBusy(false);
    }
  };
  const read = (file: Blob, chosen: Order | null = null) =>
    attempt(async () => {
      setSource(file);
      setReading(
        await postFile(addressOf('readWork', { sectionId, ...(chosen && { order: chosen }) }), file),
      );
      setOrder(chosen);
      if (!chosen) setAnswers(new Map());
      setDone(null);
    });
  const accept = () =>
    attempt(async () => {
      if (!source || !reading || !bring) return;
      const { plan } = bring;
      const tooMany = plan.pieces.length > mostPieces || plan.handIns.length > mostHandIns;
      if (tooMany) {
        setProblem(
          `At most ${mostPieces} pieces and ${mostHandIns} hand-ins at once. Nothing was changed; split the file.`,
        );
        return;
      }
      const changeIds: string[] = [];
      rememberAnswers(sectionId, answers);
      const pieces = plan.pieces
        .filter(({ fate }) => fate !== 'same')
        .map(({ fate: _fate, ...piece }) => ({ ...piece, sectionId }));
      const handIns = plan.handIns
        .filter(({ fate }) => fate !== 'same')
        .map(({ fate: _fate, ...one }) => one);
      const said: string[] = [];
      if (pieces.length + handIns.length > 0) {
        const from = { name: nameOf(source), digest: await digestOf(source) };
        changeIds.push(makeChange('work.bring', { sectionId, source: from, pieces, handIns }, sectionId));
        if (pieces.length > 0) said.push(many(pieces.length, 'piece'));
        if (handIns.length > 0) said.push(many(handIns.length, 'hand-in'));
      }
      if (reading.actions.count > 0) {
        // The answers have to be there before the file is matched with them.
        if (answers.size > 0) await whenSent();
        const query = { sectionId, name: nameOf(source), ...(order && { order }) };
        const brought = await postFile(addressOf('bringActivity', query), source);
        if (brought.changeId !== null) changeIds.push(brought.changeId);
        said.push(
          `${many(brought.added, 'new action')}${brought.known > 0 ? `, ${brought.known} were here already` : ''}`,
        );
      }
      renewViews();
      forgetTyped(about);
      setReading(null);
      setDone({
        words: said.length > 0 ? `Taken in: ${said.join(', ')}.` : 'Nothing in it was new.',
        changeIds,
      });
    });
  return (
    <Page
      title="Bring in work"
      tab={`Bring in work, ${name}`}
      note={name}
      back={{
        to: { pathname: '/classes/[sectionId]/work', params: { sectionId } },
        name: 'Work and activity',
      }}
    >
      {done ? (
        <Card style={{ gap: space(2), alignItems: 'flex-start' }}>
          <Words bold live>
            {done.words}
          </Words>
          <Action
            label="Show it"
            kind="main"
            onPress={() => {
              router.push({ pathname: '/classes/[sectionId]/work', params: { sectionId } });
            }}
          />
          {done.changeIds.length > 0 ? (
            <Action
              label="Take it all back"
              onPress={() => {
                done.changeIds.forEach(takeBackThere);
                setDone({ words: 'Taken back. What was here before stands as it was.', changeIds: [] });
                renewViews();
              }}
            />
          ) : null}
        </Card>
      ) : null}
      {reading && bring ? (
        <>
          <Card style={{ gap: space(3) }}>
            <Words bold>{summaryOf(reading, bring)}</Words>
            <Columns reading={reading} />
            {reading.orderUnsure || order ? (
              <Choice
                name="How days are written"
                value={order ?? 'day_first'}
                options={orders}
                onChange={(next) => {
                  if (source) void read(source, next);
                }}
              />
            ) : null}
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
              <Action
                label={busy ? 'Taking it in…' : 'Take it in'}
                kind="main"
                disabled={busy || isIdle(bring)}
                onPress={() => void accept()}
              />
              <Action
                label="Another file"
                onPress={() => {
                  setReading(null);
                }}
              />
            </View>
            <Words size="small" tone="inkQuiet">
              {isIdle(bring)
                ? 'There is nothing new in it for anybody of this class.'
                : 'Nothing is kept before you take it in; it is one step, and can be taken back as one.'}
            </Words>
            {problem ? (
              <Words tone="ember" live>
                {problem}
              </Words>
            ) : null}
          </Card>
          <EntryQuestions
            questions={bring.questions}
            students={students}
            answers={answers}
            onAnswer={(entry, studentId) => {
              const next = new Map(answers);
              if (studentId === undefined) next.delete(entry);
              else next.set(entry, studentId);
              setAnswers(next);
            }}
          />
          <PlannedPieces plan={bring.plan} />
          <LinesSaid title="Left out" lines={reading.leftOut} count={reading.leftOutCount} />
          <LinesSaid title="Kept, but look" lines={reading.told} count={reading.toldCount} />
        </>
      ) : (
        <ListSource
          name="File of work"
          what="cells"
          accept=".csv,.tsv,.txt,.xlsx,.json,.jsonl,.zip"
          problem={busy ? undefined : problem}
          onRead={(file) => void read(file)}
          about={about}
          testID="work"
        >
          What a learning platform or a grade book gives: who opened, asked, answered, when; which work came,
          when, with which score; a row a student and a column a piece. A table, pasted cells, or xAPI
          statements. You see what becomes of it before anything is kept.
        </ListSource>
      )}
      {busy && !reading ? <Words tone="inkQuiet">Reading the file…</Words> : null}
    </Page>
  );
}

const isIdle = ({ plan, known }: Bring) =>
  known === 0 &&
  plan.pieces.every(({ fate }) => fate === 'same') &&
  plan.handIns.every(({ fate }) => fate === 'same');

/** Until everything that was made here is with the server. */
function whenSent(): Promise<void> {
  if (useRecords.getState().entries.length === 0) return Promise.resolve();
  return new Promise((resolve) => {
    const stop = useRecords.subscribe(({ entries }) => {
      if (entries.some(({ state }) => state === 'new')) return;
      stop();
      resolve();
    });
  });
}
