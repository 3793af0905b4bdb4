import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { addDays } from '@slate-path/core/calendar/localTime';
import { nodCounts, withoutNod, type NodCount, type NodGrouping } from '@slate-path/core/nods/counts';
import { isOfClass } from '@slate-path/core/nods/draws/pool';
import { displayName } from '@slate-path/core/people/names';
import { listOf } from '@slate-path/core/records/records';
import type { Nod } from '@slate-path/core/records/schema';
import { listed } from '@slate-path/core/words/listed';
import { many } from '@slate-path/core/words/many';
import { Card } from '../../parts/Card';
import { dayMonth, monthName } from '../../parts/dates';
import { Empty } from '../../parts/Empty';
import { LinkRow } from '../../parts/LinkRow';
import { choicePhrase, Sentence } from '../../parts/Sentence';
import { Words } from '../../parts/Words';
import { useLastDay } from '../../sync/sections';
import { TakeBack } from '../../sync/TakeBack';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { CountChart } from '../observation/counts/CountChart';
import { ClassPage } from '../people/class/lazyClassPage';
import { useStudentsOf } from '../people/class/useStudentsOf';
import { nodsHistory, stillHere } from './giving';
import { NodWordsSheet } from './NodWordsSheet';
import { shortened } from './shortened';
import { useDays } from './useDays';

const groupings: { value: NodGrouping; label: string }[] = [
  { value: 'student', label: 'by student' },
  { value: 'reason', label: 'by what for' },
  { value: 'place', label: 'by place' },
  { value: 'week', label: 'by week' },
  { value: 'month', label: 'by month' },
];
const axes: Record<NodGrouping, string> = {
  ...{ student: 'Student', reason: 'What for', place: 'Place', week: 'Week from', month: 'Month' },
};
/** Who has had none for so long is named. */
const daysWithout = 28;

/** The nods of a class: how many, to whom, what for, where and when; and who has had none. */
export function NodsScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const router = useRouter();
  const wide = useWide();
  const current = useRecords((state) => state.current);
  const lastDay = useLastDay(sectionId);
  const { from, to, phrase } = useDays(lastDay);
  const [grouping, setGrouping] = useState<NodGrouping>('student');
  const [open, setOpen] = useState<Nod | null>(null);
  useView(addressOf('nods', { sectionId, from, to }));
  const students = useStudentsOf(sectionId, lastDay);
  const inClass = new Set(students.map(({ id }) => id));
  const nods = listOf(current, 'nod')
    .filter((nod) => isOfClass(nod, sectionId) && (nod.sectionId !== null || inClass.has(nod.studentId)))
    .filter(({ at }) => from <= at && at.slice(0, 10) <= to)
    .sort((a, b) => (a.at < b.at ? 1 : -1));
  const counts = nodCounts(nods, grouping);
  const without = withoutNod(
    students.map(({ id }) => id),
    nods,
    addDays(lastDay, -daysWithout),
  );
  const nameOf = (id: string) => (current.student[id] ? displayName(current.student[id]) : 'somebody else');
  const labelOf = ({ key }: NodCount) => {
    const words = {
      ...{ student: nameOf, reason: String, place: String },
      ...{ week: dayMonth, month: monthName },
    }[grouping](key);
    return words || 'not said';
  };
  return (
    <ClassPage
      sectionId={sectionId}
      page="Counts"
      tab="Nods"
      tools={<TakeBack about={nodsHistory} concerns={stillHere} />}
      main={
        nods.length > 0
          ? {
              label: 'Draw among them',
              onPress: () => {
                router.push({ pathname: '/classes/[sectionId]/draws', params: { sectionId } });
              },
            }
          : undefined
      }
    >
      <Sentence
        parts={[
          `${many(nods.length, 'nod')} in `,
          phrase,
          ', ',
          choicePhrase({
            name: 'choose how they are counted',
            value: grouping,
            options: groupings,
            onChange: setGrouping,
          }),
          '.',
        ]}
      />
      {nods.length === 0 ? null : (
        <Words tone={without.length > 0 ? 'ink' : 'inkQuiet'}>
          {without.length > 0 ? (
            <>
              <Words bold>{`No nod in four weeks (${without.length}): `}</Words>
              {listed(without.map(nameOf))}
            </>
          ) : (
            'Everybody has had one in the last four weeks.'
          )}
        </Words>
      )}
      {nods.length === 0 ? (
        <Empty title="Nods will stand here">
          A nod says that somebody did well. Give one in a lesson, under Nods: a tap on what for, a tap on the
          student.
        </Empty>
      ) : (
        <View
          style={{
            flexDirection: wide ? 'row' : 'column',
            gap: space(4),
            alignItems: wide ? 'flex-start' : 'stretch',
          }}
        >
          <Card style={{ gap: space(3), flex: wide ? 1 : undefined }}>
            <CountChart
              bars={counts.map((count) => ({
                key: count.key,
                label: shortened(labelOf(count)),
                value: count.count,
              }))}
              axis="Nods"
              groupAxis={axes[grouping]}
              tone="lichen"
              name={`Nods ${groupings.find(({ value }) => value === grouping)?.label ?? ''}: ${counts.map((count) => `${labelOf(count)} ${count.count}`).join(', ')}`}
            />
          </Card>
          <Card style={{ flex: wide ? 1 : undefined }}>
            {nods.map((nod) => {
              const said = [nod.reason, nod.comment].filter(Boolean).join('. ');
              const words = `${nameOf(nod.studentId)}, ${dayMonth(nod.at.slice(0, 10))}: ${said}`;
              return (
                <LinkRow
                  key={nod.id}
                  words={words}
                  name={`${words}. Change this nod`}
                  onOpen={() => {
                    setOpen(nod);
                  }}
                />
              );
            })}
          </Card>
        </View>
      )}
      {open ? (
        <NodWordsSheet
          nods={[open]}
          lesson={null}
          onClose={() => {
            setOpen(null);
          }}
        />
      ) : null}
    </ClassPage>
  );
}
