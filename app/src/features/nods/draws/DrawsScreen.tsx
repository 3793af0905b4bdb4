import { useLocalSearchParams } from 'expo-router';
import { addressOf } from '@slate-path/core/api/address';
import { nodsInPool } from '@slate-path/core/nods/draws/pool';
import { displayName } from '@slate-path/core/people/names';
import { listOf } from '@slate-path/core/records/records';
import { useLastDay, useSectionName } from '../../../sync/sections';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { ClassPage } from '../../people/class/lazyClassPage';
import { nodsHistory, stillHere } from '../giving';
import { useDays } from '../useDays';
import { DrawPart, mainOf } from './DrawPart';
import { latestFirst, type DrawPool } from './pool';
import { useDrawing } from './useDrawing';

/** Lots drawn among those of a class who had nods. */
export function DrawsScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const current = useRecords((state) => state.current);
  const name = useSectionName(sectionId);
  const { from, to, phrase } = useDays(useLastDay(sectionId));
  useView(addressOf('nods', { sectionId, from, to }));
  const nods = listOf(current, 'nod');
  const enrolments = listOf(current, 'enrolment');
  const groups = listOf(current, 'studentGroup').filter((group) => group.sectionId === sectionId);
  const pool: DrawPool = {
    ...{ sectionId, name, from, to, groups },
    countsOf: (groupName, at) =>
      nodsInPool(
        {
          ...{ sectionId, at, startsOn: from, endsOn: to },
          groupIds: groups.find((group) => group.name === groupName)?.studentIds ?? null,
        },
        nods,
        enrolments,
      ),
    earlier: latestFirst(listOf(current, 'draw').filter((draw) => draw.sectionId === sectionId)),
    nameOf: (id) => (current.student[id] ? displayName(current.student[id]) : 'somebody else'),
  };
  const drawing = useDrawing(pool);
  return (
    <ClassPage
      sectionId={sectionId}
      page="Counts"
      tab="Draw"
      note="A lot among those with nods"
      tools={<TakeBack about={nodsHistory} concerns={stillHere} />}
      main={mainOf(drawing)}
    >
      <DrawPart pool={pool} drawing={drawing} days={phrase} />
    </ClassPage>
  );
}
