import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { shownNames } from '@slate-path/core/attendance/checkIn/shownNames';
import type { Student } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import type { Finished } from '@slate-path/core/work/own/finished';
import { Action } from '../../parts/Action';
import { Empty } from '../../parts/Empty';
import { choicePhrase, Sentence } from '../../parts/Sentence';
import { Words } from '../../parts/Words';
import { useAsking } from '../../sync/useAsking';
import { useNow } from '../../sync/clock';
import type { Concerns } from '../../sync/outbox';
import { TakeBack } from '../../sync/TakeBack';
import { useRecords } from '../../sync/useRecords';
import { useWide } from '../../theme/theme';
import { ClassPage } from '../people/class/lazyClassPage';
import { useClassList } from '../people/class/ofClass';
import { OwnPieceForm } from './own/OwnPieceForm';
import { OwnWork } from './own/OwnWork';
import { finishedOf } from './own/setOwnWork';
import { useMarksOfTerm } from './own/useMarksOfTerm';
import { PieceForm } from './PieceForm';
import { PieceList } from './PieceList';
import { usePieces, type PieceNow } from './usePiece';

const everybody = 'everybody';

/**
 * All pieces of work of a class, or what one student has of their own, by the days on which it was finished. What waits
 * longest for the teacher stands first where that is asked for.
 */
export function PiecesScreen() {
  const { sectionId, of = everybody } = useLocalSearchParams<{ sectionId: string; of?: string }>();
  const router = useRouter();
  const { present } = useClassList(sectionId);
  const students = present.map(({ student }) => student);
  const student =
    of === everybody
      ? undefined
      : (students.find(({ id }) => id === of) ?? (of === 'first' ? students[0] : undefined));
  const options = [
    { value: everybody, label: 'the class' },
    ...shownNames(students, true).map(({ id, name }) => ({ value: id, label: name })),
  ];
  const whose = choicePhrase({
    name: 'choose whose work',
    value: student?.id ?? everybody,
    options,
    onChange: (chosen) => {
      router.setParams({ of: chosen });
    },
  });
  return student ? (
    <PiecesOfOne sectionId={sectionId} student={student} whose={whose} />
  ) : (
    <PiecesOfAll sectionId={sectionId} whose={whose} />
  );
}

type Whose = ReturnType<typeof choicePhrase>;

interface OfOneProps {
  sectionId: string;
  student: Student;
  whose: Whose;
}

/** Work, the marks that come of it, and what a whole day is: what *Take back* means on this page. */
const ofTheWork: Concerns = ({ table, ...edit }) =>
  table === 'section'
    ? 'attendedByWork' in edit.values
    : ['work', 'handIn', 'mark', 'lesson'].includes(table);

/** What one student has to do, or has done, alone: the days on which it is finished are the student's attendance. */
function PiecesOfOne({ sectionId, student, whose }: OfOneProps) {
  const now = useNow();
  const current = useRecords((records) => records.current);
  const [open, setOpen] = useState<Finished | 'new' | null>(null);
  useMarksOfTerm();
  const section = current.section[sectionId];
  if (!section) return null;
  const pieces = finishedOf(current, sectionId).filter(({ studentId }) => studentId === student.id);
  return (
    <ClassPage
      sectionId={sectionId}
      page="Work and activity"
      tab="Pieces of work"
      tools={<TakeBack about={sectionId} concerns={ofTheWork} />}
      main={{
        label: 'Add a piece',
        onPress: () => {
          setOpen('new');
        },
      }}
    >
      <Sentence
        parts={[
          'Own work of ',
          whose,
          section.attendedByWork ? ': a day on which some of it is finished counts as attended.' : '',
        ]}
      />
      <OwnWork section={section} student={student} pieces={pieces} onOpen={setOpen} />
      {open ? (
        <OwnPieceForm
          section={section}
          student={student}
          piece={open === 'new' ? null : open}
          today={now.date}
          onClose={() => {
            setOpen(null);
          }}
        />
      ) : null}
    </ClassPage>
  );
}

/** All pieces of work of a class, those of one student among them. */
function PiecesOfAll({ sectionId, whose }: { sectionId: string; whose: Whose }) {
  const router = useRouter();
  const wide = useWide();
  const [adding, setAdding] = useState(false);
  const { state, pieces } = usePieces(sectionId);
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
        <NoPieces loading={state === 'loading'} whose={whose} onAdd={wide ? add : undefined} />
      ) : (
        <AllPieces sectionId={sectionId} pieces={pieces} whose={whose} />
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

interface NoPiecesProps {
  loading: boolean;
  whose: Whose;
  onAdd: (() => void) | undefined;
}

function NoPieces({ loading, whose, onAdd }: NoPiecesProps) {
  const asking = useAsking('for the pieces of work');
  if (loading) return <Words tone="inkQuiet">{asking}</Words>;
  return (
    <>
      <Sentence parts={['Pieces of work of ', whose, ': none yet.']} />
      <Empty title="No pieces of work yet" action={onAdd && <Action label="Add a piece" onPress={onAdd} />}>
        What a class has to hand in stands here with how it came: on time, late, not at all; how long you take
        to hand it back, and the scores. Add a piece by hand, or bring a grade book’s file. What one student
        does alone stands under the student’s name.
      </Empty>
    </>
  );
}

interface AllPiecesProps {
  sectionId: string;
  pieces: readonly PieceNow[];
  whose: Whose;
}

function AllPieces({ sectionId, pieces, whose }: AllPiecesProps) {
  const [waitingFirst, setWaitingFirst] = useState(false);
  const waiting = pieces.reduce((sum, { digest }) => sum + digest.waiting, 0);
  // The oldest waits longest.
  const shown = waitingFirst ? pieces.filter(({ digest }) => digest.waiting > 0).toReversed() : pieces;
  const told =
    waiting === 0
      ? ['nothing waits for you.']
      : [
          {
            words: `${waiting} handed in ${waiting === 1 ? 'waits' : 'wait'} for you`,
            name: 'those that wait longest first',
            held: waitingFirst,
            onTap: () => {
              setWaitingFirst(!waitingFirst);
            },
          },
          '.',
        ];
  return (
    <View>
      <Sentence parts={[`${many(pieces.length, 'piece')} of work of `, whose, '; ', ...told]} />
      <PieceList sectionId={sectionId} pieces={shown} />
    </View>
  );
}
