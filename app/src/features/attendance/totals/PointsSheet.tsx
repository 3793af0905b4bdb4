import ClipboardCopy from 'lucide-react-native/icons/clipboard-copy';
import Download from 'lucide-react-native/icons/download';
import { useState } from 'react';
import { View } from 'react-native';
import { gradePoints, type PointsRule } from '@slate-path/core/attendance/roll/gradePoints';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { copyText, saveText } from '../../../files/give';
import type { TotalsLine } from './lines';

const steps = [
  { value: '1', label: 'Whole' },
  { value: '0.5', label: 'Halves' },
  { value: '0.1', label: 'Tenths' },
  { value: '0.01', label: 'Hundredths' },
];
const roundings: { value: PointsRule['rounding']; label: string }[] = [
  { value: 'nearest', label: 'To the nearest' },
  { value: 'up', label: 'Up' },
  { value: 'down', label: 'Down' },
];

/** A column for the grade book: the rule in words, the first lines as they come out, then copy or file. */
export function PointsSheet({
  lines,
  title,
  onClose,
}: {
  lines: readonly TotalsLine[];
  title: string;
  onClose: () => void;
}) {
  const [outOf, setOutOf] = useState('100');
  const [step, setStep] = useState('1');
  const [rounding, setRounding] = useState<PointsRule['rounding']>('nearest');
  const [told, setTold] = useState('');
  const points = Number(outOf.replace(',', '.'));
  const good = points > 0 && points <= 10_000;
  const rule = { outOf: points, step: Number(step), rounding };
  const rows = lines.map(
    ({ name, totals }) => [name, good ? gradePoints(totals.percent, rule) : null] as const,
  );
  const nothing = rows.filter(([, value]) => value === null).length;
  const stepWords = steps.find(({ value }) => value === step)?.label.toLowerCase() ?? '';
  return (
    <Sheet title="For the grade book" note={title} onClose={onClose}>
      <Field
        label="Points for being there all the time"
        value={outOf}
        onChange={setOutOf}
        keyboard="numeric"
        width={200}
        error={good ? undefined : 'A number above 0, such as 100 or 10'}
      />
      <Choice name="Steps" value={step} options={steps} onChange={setStep} />
      <Choice name="Rounding" value={rounding} options={roundings} onChange={setRounding} />
      <Words tone="inkQuiet">
        {`Credit divided by lessons taken, times ${outOf}, rounded ${rounding === 'nearest' ? 'to the nearest' : rounding} in ${stepWords}. Lessons not taken count nowhere${
          nothing > 0 ? `; ${nothing} without a lesson taken stay empty` : ''
        }.`}
      </Words>
      <View>
        {rows.slice(0, 4).map(([name, value], index) => (
          <View
            key={`${index} ${name}`}
            style={{ flexDirection: 'row', gap: space(3), paddingVertical: space(1) }}
          >
            <View style={{ flex: 1 }}>
              <Words lines={1}>{name}</Words>
            </View>
            <Words figures bold>
              {value === null ? '–' : String(value)}
            </Words>
          </View>
        ))}
        {rows.length > 4 ? (
          <Words
            size="small"
            tone="inkQuiet"
          >{`and ${rows.length - 4} more, in the order of the class`}</Words>
        ) : null}
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action
          label="Copy the column"
          kind="main"
          icon={ClipboardCopy}
          disabled={!good}
          onPress={() => {
            void copyText(rows.map(([, value]) => value ?? '').join('\n')).then(setTold);
          }}
        />
        <Action
          label="Copy with names"
          disabled={!good}
          onPress={() => {
            void copyText(rows.map(([name, value]) => `${name}\t${value ?? ''}`).join('\n')).then(setTold);
          }}
        />
        <Action
          label="CSV"
          name="Save the points as CSV"
          icon={Download}
          disabled={!good}
          onPress={() => {
            void import('../../../files/lists').then(({ writeCsv }) => {
              saveText(
                writeCsv([['Student', `Points of ${outOf}`], ...rows], true),
                'points.csv',
                'text/csv',
              );
            });
          }}
        />
      </View>
      {told ? <Words live>{told}</Words> : null}
    </Sheet>
  );
}
