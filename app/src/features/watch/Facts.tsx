import { useRouter } from 'expo-router';
import { localMoment } from '@slate-path/core/calendar/zone';
import { displayName } from '@slate-path/core/people/names';
import { groupBy } from '@slate-path/core/records/groupBy';
import { listOf } from '@slate-path/core/records/records';
import type { ClearedItem } from '@slate-path/core/watch/signals/cleared';
import { outcomeInWords } from '@slate-path/core/watch/signals/outcomeWords';
import type { WatchItem } from '@slate-path/core/watch/signals/watchClass';
import type { SectionWatch } from '@slate-path/core/watch/signals/watchReading';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { dayMonth } from '../../parts/dates';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { zoneOf } from '../../sync/clock';
import { useSectionName, useSectionNames } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';

interface PersonProps {
  studentId: string;
  children: ReactNode;
}

/** A student and what is to be told; the whole row opens the path. */
function Person({ studentId, children }: PersonProps) {
  const palette = usePalette();
  const router = useRouter();
  const student = useRecords((state) => state.current.student[studentId]);
  if (!student) return null;
  return (
    <TapArea
      name={`Open the path of ${displayName(student)}`}
      page={false}
      onTap={() => {
        router.push({ pathname: '/students/[studentId]', params: { studentId } });
      }}
      style={{ borderTopWidth: 1, borderColor: palette.line, paddingVertical: space(2) }}
    >
      <Words size="name" bold>
        {displayName(student)}
      </Words>
      {children}
    </TapArea>
  );
}

/** Who is over a line, which may well be chance: one child once, with all classes. */
export function Facts({ items }: { items: readonly WatchItem[] }) {
  const classNames = useSectionNames();
  const several = Object.keys(classNames).length > 1;
  return (
    <View>
      {[...groupBy(items, ({ studentId }) => studentId)].map(([studentId, own]) => (
        <Person key={studentId} studentId={studentId}>
          {own.map(({ sectionId, sentence }) => (
            <Words key={sectionId}>
              {several ? <Words tone="inkQuiet">{`${classNames[sectionId] ?? ''}: `}</Words> : null}
              {sentence}
            </Words>
          ))}
        </Person>
      ))}
    </View>
  );
}

/** Who is as usual again, what was done before, and what became of it. */
export function Cleared({ item, outcomes }: { item: ClearedItem; outcomes: SectionWatch['outcomes'] }) {
  const current = useRecords((state) => state.current);
  const className = useSectionName(item.sectionId);
  const zone = zoneOf(Object.values(current.school)[0]);
  const steps = listOf(current, 'step').filter(
    ({ studentId, sectionId, concern }) =>
      studentId === item.studentId && sectionId === item.sectionId && concern === item.concern,
  );
  return (
    <Person studentId={item.studentId}>
      <Words tone="inkQuiet">{className}</Words>
      <Words>{item.sentence}</Words>
      {steps.map(({ id, kind, at }) => {
        const { date } = localMoment(Date.parse(at), zone);
        const [outcome] = outcomes[id] ?? [];
        return (
          <Words key={id} tone="inkQuiet">
            {`${kind} on ${dayMonth(date)}. ${outcome ? outcomeInWords(outcome, date) : ''}`}
          </Words>
        );
      })}
      <Words tone="lichen">A word of praise would be in place.</Words>
    </Person>
  );
}
