import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../parts/Action';
import { Empty } from '../../parts/Empty';
import { lazily } from '../../parts/lazily';
import { Sentence } from '../../parts/Sentence';
import { Words } from '../../parts/Words';
import { useAsking } from '../../sync/useAsking';
import { TakeBack } from '../../sync/TakeBack';
import { useWide } from '../../theme/theme';
import { ClassPage } from '../people/class/lazyClassPage';
import { PieceList } from './PieceList';
import { usePieces } from './usePiece';

const PieceForm = lazily(() => import('./PieceForm'));

/** All pieces of work of a class; what waits longest for the teacher first where that is asked for. */
export function PiecesScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const router = useRouter();
  const wide = useWide();
  const asking = useAsking('for the pieces of work');
  const [adding, setAdding] = useState(false);
  const [waitingFirst, setWaitingFirst] = useState(false);
  const { state, pieces } = usePieces(sectionId);
  const waiting = pieces.reduce((sum, { digest }) => sum + digest.waiting, 0);
  // The oldest waits longest.
  const shown = waitingFirst ? pieces.filter(({ digest }) => digest.waiting > 0).toReversed() : pieces;
  const add = () => {
    setAdding(true);
  };
  return (
    <ClassPage
      sectionId={sectionId}
      page="Work and activity"
      tab="Pieces of work"
      tools={<TakeBack about={sectionId} />}
      main={{ label: 'Add a piece', onPress: add }}
    >
      {pieces.length === 0 ? (
        state === 'loading' ? (
          <Words tone="inkQuiet">{asking}</Words>
        ) : (
          <Empty
            title="No pieces of work yet"
            action={wide ? <Action label="Add a piece" onPress={add} /> : undefined}
          >
            What a class has to hand in stands here with how it came: on time, late, not at all; how long you
            take to hand it back, and the scores. Add a piece by hand, or bring a grade book’s file.
          </Empty>
        )
      ) : (
        <View>
          <Sentence
            parts={[
              `${many(pieces.length, 'piece')} of work; `,
              waiting === 0
                ? 'nothing waits for you.'
                : {
                    words: `${waiting} handed in ${waiting === 1 ? 'waits' : 'wait'} for you`,
                    name: 'those that wait longest first',
                    held: waitingFirst,
                    onTap: () => {
                      setWaitingFirst(!waitingFirst);
                    },
                  },
              ...(waiting === 0 ? [] : ['.']),
            ]}
          />
          <PieceList sectionId={sectionId} pieces={shown} />
        </View>
      )}
      {adding ? (
        <PieceForm
          sectionId={sectionId}
          work={null}
          onClose={(made?: string) => {
            setAdding(false);
            if (made)
              router.push({
                pathname: '/classes/[sectionId]/pieces/[workId]',
                params: { sectionId, workId: made },
              });
          }}
        />
      ) : null}
    </ClassPage>
  );
}
