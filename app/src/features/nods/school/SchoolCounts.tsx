import { useState } from 'react';
import { View } from 'react-native';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { many } from '@slate-path/core/words/many';
import { Card } from '../../../parts/Card';
import { dayMonth, monthName } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { choicePhrase, Sentence, type SentencePart } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { CountChart } from '../../observation/counts/CountChart';
import { space } from '../../../theme/tokens';
import { shortened } from '../shortened';

type Answer = Omit<AnswerOf<'schoolNods'>, 'draw'>;
type Grouping = keyof Answer['counts'];

const groupings: { value: Grouping; label: string; axis: string }[] = [
  { value: 'section', label: 'by class', axis: 'Class' },
  { value: 'student', label: 'by student', axis: 'Student' },
  { value: 'reason', label: 'by what for', axis: 'What for' },
  { value: 'place', label: 'by place', axis: 'Place' },
  { value: 'week', label: 'by week', axis: 'Week from' },
  { value: 'month', label: 'by month', axis: 'Month' },
];
/** More bars than that nobody reads; how many more there are is said. */
const mostBars = 40;

/** One chart of counts. */
function Counted({ answer, grouping }: { answer: Answer; grouping: Grouping }) {
  const students = new Map([...answer.formerly, ...answer.students].map(({ id, name }) => [id, name]));
  const classes = new Map(answer.classes.map(({ id, name }) => [id, name]));
  const labelOf: Record<Grouping, (key: string) => string> = {
    student: (key) => students.get(key) ?? 'somebody who left',
    section: (key) => classes.get(key) ?? 'no class',
    reason: String,
    place: String,
    week: dayMonth,
    month: monthName,
  };
  const bars = answer.counts[grouping].map(({ key, count }) => ({
    ...{ key, value: count },
    label: labelOf[grouping](key) || 'not said',
  }));
  const isOverTime = grouping === 'week' || grouping === 'month';
  const shown = isOverTime ? bars : bars.slice(0, mostBars);
  const { label = '', axis = '' } = groupings.find(({ value }) => value === grouping) ?? {};
  return (
    <Card style={{ flexGrow: 1, flexBasis: 360, gap: space(2) }}>
      <CountChart
        bars={shown.map((bar) => ({ ...bar, label: shortened(bar.label) }))}
        axis="Nods"
        groupAxis={axis}
        tone="lichen"
        name={`Nods ${label}: ${shown.map((bar) => `${bar.label} ${bar.value}`).join(', ')}`}
      />
      {bars.length > shown.length ? (
        <Words tone="inkQuiet">{`And ${bars.length - shown.length} more with ${bars[mostBars]?.value ?? 0} or fewer.`}</Words>
      ) : null}
    </Card>
  );
}

/** How many nods the whole school gave: as is chosen, and over time. */
export function SchoolCounts({ answer, days }: { answer: Answer; days: SentencePart }) {
  const [grouping, setGrouping] = useState<Grouping>('section');
  return (
    <>
      <Sentence
        parts={[
          `${many(answer.total, 'nod')} in `,
          days,
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
      {answer.total === 0 ? (
        <Empty title="No nods from these days">
          Nods are given in lessons: a tap on what for, a tap on the student. Those of all classes are counted
          here.
        </Empty>
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(4), alignItems: 'flex-start' }}>
          <Counted answer={answer} grouping={grouping} />
          <Counted answer={answer} grouping={grouping === 'week' ? 'month' : 'week'} />
        </View>
      )}
    </>
  );
}
