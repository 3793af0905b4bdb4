import { localMoment } from '@slate-path/core/calendar/zone';
import { displayName } from '@slate-path/core/people/names';
import { listOf } from '@slate-path/core/records/records';
import type { ClearedItem } from '@slate-path/core/watch/signals/cleared';
import { outcomeInWords } from '@slate-path/core/watch/signals/outcomeWords';
import type { WatchItem } from '@slate-path/core/watch/signals/watchClass';
import type { SectionWatch } from '@slate-path/core/watch/signals/watchReading';
import type { ReactNode } from 'react';
import { Card } from '../../parts/Card';
import { dayMonth } from '../../parts/dates';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { OpenPath } from './path/OpenPath';
import { zoneOf } from '../../sync/clock';
import { useSectionName } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';

interface AboutProps {
  about: Pick<WatchItem, 'studentId' | 'sectionId' | 'sentence'>;
  children?: ReactNode;
}

/** A student in a class, one sentence, and the way to the path. */
function About({ about, children }: AboutProps) {
  const student = useRecords((state) => state.current.student[about.studentId]);
  const className = useSectionName(about.sectionId);
  if (!student) return null;
  return (
    <Card style={{ gap: space(1) }}>
      <Words bold>{`${displayName(student)}, ${className}`}</Words>
      <Words>{about.sentence}</Words>
      {children}
      <OpenPath student={student} plain />
    </Card>
  );
}

/** Who is over a line, which may well be chance. */
export function Fact({ item }: { item: WatchItem }) {
  return <About about={item} />;
}

/** Who is as usual again, what was done before, and what became of it. */
export function Cleared({ item, outcomes }: { item: ClearedItem; outcomes: SectionWatch['outcomes'] }) {
  const current = useRecords((state) => state.current);
  const zone = zoneOf(Object.values(current.school)[0]);
  const steps = listOf(current, 'step').filter(
    ({ studentId, sectionId, concern }) =>
      studentId === item.studentId && sectionId === item.sectionId && concern === item.concern,
  );
  return (
    <About about={item}>
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
    </About>
  );
}
