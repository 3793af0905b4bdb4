import { Redirect, useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { many } from '@slate-path/core/words/many';
import { dueWords, pieceWords } from '@slate-path/core/work/pieceWords';
import { Empty } from '../../parts/Empty';
import { Page } from '../../parts/Page';
import { choicePhrase, Sentence } from '../../parts/Sentence';
import { Words } from '../../parts/Words';
import { useAsking } from '../../sync/useAsking';
import { makeChange } from '../../sync/outbox';
import { TakeBack } from '../../sync/TakeBack';
import { useSectionName } from '../../sync/sections';
import { useWide } from '../../theme/theme';
import { PartBoard } from './PartBoard';
import { PieceForm } from './PieceForm';
import { ScoreColumn } from './ScoreColumn';
import { ScorePicture } from './ScorePicture';
import { handBackAll, markAllIn, markPart, type Mark } from './setHandIns';
import { usePieces } from './usePiece';

const meanings: { value: Mark; label: string }[] = [
  { value: 'in', label: 'handed in, or missing' },
  { value: 'late', label: 'handed in late, now' },
  { value: 'excused', label: 'excused' },
  { value: 'back', label: 'handed back' },
];

/** One piece of work: everybody on the board, how it came; scores down a column. */
export function PieceScreen() {
  const { sectionId, workId } = useLocalSearchParams<{ sectionId: string; workId: string }>();
  const router = useRouter();
  const wide = useWide();
  const asking = useAsking('for this piece of work');
  const [page, setPage] = useState<'in' | 'scores'>('in');
  const [mark, setMark] = useState<Mark>('in');
  const [changing, setChanging] = useState(false);
  const name = useSectionName(sectionId);
  const { state, pieces } = usePieces(sectionId);
  const piece = pieces.find(({ work }) => work.id === workId);
  const back = {
    to: { pathname: '/classes/[sectionId]/pieces', params: { sectionId } },
    name: 'All pieces of work',
  } as const;
  if (!piece)
    return (
      <Page title="A piece of work" back={back}>
        {state === 'loading' ? (
          <Words tone="inkQuiet">{asking}</Words>
        ) : (
          <Empty title="This piece of work is not there">It may have been removed.</Empty>
        )}
      </Page>
    );
  const { work, parts, digest } = piece;
  // What one student has alone counts as days: it stands by them.
  if (work.studentId !== null)
    return (
      <Redirect
        href={{ pathname: '/classes/[sectionId]/pieces', params: { sectionId, of: work.studentId } }}
      />
    );
  const { when } = pieceWords(work, digest);
  const came = digest.on_time + digest.late;
  const open = parts.length - came - digest.excused;
  const main =
    open === parts.length - digest.excused && open > 0
      ? {
          label: 'All handed in',
          about: 'Then tap those who did not',
          onPress: () => {
            markAllIn(work, parts);
          },
        }
      : digest.waiting > 0
        ? {
            label: 'Hand back all',
            about: `${digest.waiting} ${digest.waiting === 1 ? 'waits' : 'wait'} for you`,
            onPress: () => {
              handBackAll(work, parts);
            },
          }
        : null;
  return (
    <Page
      title={work.title}
      tab={`Piece of work, ${name}`}
      note={
        wide
          ? [name, when, work.points === null ? '' : `${work.points} points`].filter(Boolean).join(' · ')
          : dueWords(work)
      }
      back={back}
      tools={<TakeBack about={work.id} />}
      main={main}
      acts={[
        {
          label: 'Change',
          onPress: () => {
            setChanging(true);
          },
        },
      ]}
      more={[
        {
          title: 'Rarely',
          items: [
            {
              label: 'Remove it',
              note: 'What was handed in and scored goes with it; Take back on the list brings it back',
              onPress: () => {
                makeChange('piece.remove', { id: work.id, sectionId }, sectionId);
                router.replace({ pathname: '/classes/[sectionId]/pieces', params: { sectionId } });
              },
            },
          ],
        },
      ]}
      tabs={{
        name: 'Pages of the piece of work',
        items: [
          {
            label: 'Handed in',
            chosen: page === 'in',
            onTap: () => {
              setPage('in');
            },
          },
          {
            label: 'Scores',
            chosen: page === 'scores',
            onTap: () => {
              setPage('scores');
            },
          },
        ],
      }}
    >
      {page === 'in' ? (
        <>
          <Sentence
            parts={[
              `${came} of ${parts.length} handed in${digest.late > 0 ? `, ${digest.late} late` : ''}; ${
                digest.missing > 0 ? `${digest.missing} missing` : 'none missing'
              }. A tap says `,
              choicePhrase({
                name: 'choose what a tap says',
                value: mark,
                options: meanings,
                onChange: setMark,
              }),
              '.',
            ]}
          />
          <PartBoard
            parts={parts}
            onTap={(part) => {
              markPart(work, part, mark);
            }}
          />
        </>
      ) : (
        <View style={{ gap: 12 }}>
          <Words tone="inkQuiet">
            {work.points === null
              ? 'Scores without points: add the points to see percents.'
              : `Out of ${many(work.points, 'point')}. Enter goes on to the next.`}
          </Words>
          <ScorePicture parts={parts} points={work.points} />
          <ScoreColumn work={work} parts={parts} />
        </View>
      )}
      {changing ? (
        <PieceForm
          sectionId={sectionId}
          work={work}
          onClose={() => {
            setChanging(false);
          }}
        />
      ) : null}
    </Page>
  );
}
