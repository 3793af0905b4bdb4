import { useState } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import { listOf } from '@slate-path/core/records/records';
import { Page } from '../../../parts/Page';
import { Words } from '../../../parts/Words';
import { useAccount } from '../../../sync/account';
import { useNow } from '../../../sync/clock';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { DrawPart, mainOf } from '../draws/DrawPart';
import { latestFirst, type DrawPool } from '../draws/pool';
import { useDrawing } from '../draws/useDrawing';
import { nodsHistory, stillHere } from '../giving';
import { useDays } from '../useDays';
import { NoddedStudents } from './NoddedStudents';
import { SchoolCounts } from './SchoolCounts';

const tabs = ['Counts', 'Draws'] as const;
type Tab = (typeof tabs)[number];

/** Waiting for the school's nods, which are not on the device. */
function Waiting() {
  return (
    <Words tone="inkQuiet">
      The nods of the whole school come from the server. Without a network they are not here.
    </Words>
  );
}

/** For the keeper: the nods of all classes counted, and draws among everybody who had some. */
function KeeperScreen() {
  const { date } = useNow();
  const days = useDays(date);
  const { from, to, phrase } = days;
  const [tab, setTab] = useState<Tab>('Counts');
  const { answer } = useView(addressOf('schoolNods', { from, to }));
  const current = useRecords((state) => state.current);
  const [school] = listOf(current, 'school');
  const names = new Map(
    [...(answer?.formerly ?? []), ...(answer?.students ?? [])].map(({ id, name }) => [id, name]),
  );
  const counted = new Map(answer?.counts.student.map(({ key, count }) => [key, count]));
  const pool: DrawPool = {
    ...{ sectionId: null, name: school?.name ?? '', from, to, groups: [] },
    countsOf: () => new Map((answer?.students ?? []).map(({ id }) => [id, counted.get(id) ?? 0])),
    earlier: latestFirst(listOf(current, 'draw').filter(({ sectionId }) => sectionId === null)),
    nameOf: (id) => names.get(id) ?? 'somebody else',
  };
  const drawing = useDrawing(pool);
  return (
    <Page
      title="Nods in the school"
      note="Of all classes and teachers"
      back={{ to: '/desk', name: 'Back to the desk' }}
      tools={<TakeBack about={nodsHistory} concerns={stillHere} />}
      main={tab === 'Draws' ? mainOf(drawing) : undefined}
      tabs={{
        name: 'Pages of the school’s nods',
        items: tabs.map((label) => ({
          label,
          chosen: label === tab,
          onTap: () => {
            setTab(label);
          },
        })),
      }}
    >
      {!answer ? <Waiting /> : null}
      {answer && tab === 'Counts' ? <SchoolCounts answer={answer} days={phrase} /> : null}
      {answer && tab === 'Draws' ? <DrawPart pool={pool} drawing={drawing} days={phrase} /> : null}
    </Page>
  );
}

/** For a teacher: which students of the school had nods, and no more. */
function TeacherScreen() {
  const { date } = useNow();
  const { from, to, phrase } = useDays(date);
  const { answer } = useView(addressOf('noddedStudents', { from, to }));
  return (
    <Page
      title="Nods in the school"
      note="Who had some; what for is seen in one’s own classes"
      back={{ to: '/desk', name: 'Back to the desk' }}
    >
      {answer ? <NoddedStudents students={answer.students} days={phrase} /> : <Waiting />}
    </Page>
  );
}

/** The nods of a school, as far as whoever looks may see them. */
export function SchoolNodsScreen() {
  return useAccount(({ isKeeper }) => isKeeper) ? <KeeperScreen /> : <TeacherScreen />;
}
