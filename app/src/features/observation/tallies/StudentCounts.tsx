import Pencil from 'lucide-react-native/icons/pencil';
import { useState } from 'react';
import { View } from 'react-native';
import { minutesOf } from '@slate-path/core/calendar/localTime';
import type { Lesson, LookFor } from '@slate-path/core/records/schema';
import { durationWords } from '@slate-path/core/observation/tallies/duration';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { IconAction } from '../../../parts/IconAction';
import { TallyStrokes } from '../../../parts/TallyStrokes';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space, target } from '../../../theme/tokens';
import { check } from '../../../forms/check';
import { useRecords } from '../../../sync/useRecords';
import { DurationField } from './DurationField';
import { LookForSign, toneColour } from './LookForSign';
import { correctCount } from './tallying';
import { sumsOf } from './tallySums';

interface StudentCountsProps {
  lesson: Lesson;
  studentId: string | null;
  /** All that is offered to the class. */
  lookFors: readonly LookFor[];
}

/** A number to set right, with the reason where it cannot be. */
function Correction({
  name,
  from,
  onAccept,
}: {
  name: string;
  from: number;
  onAccept: (to: number) => void;
}) {
  const [typed, setTyped] = useState(String(from));
  const [error, setError] = useState<string>();
  const accept = async () => {
    const to = typed.trim() === '' ? Number.NaN : Number(typed.replace(',', '.'));
    const read = await check('CountToSet', { to });
    setError(read.errors?.['to']);
    if (read.data) onAccept(read.data.to);
  };
  return (
    <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: space(2), flexWrap: 'wrap' }}>
      <Field
        label={`${name}: how often`}
        value={typed}
        onChange={setTyped}
        keyboard="numeric"
        width={140}
        error={error}
        onSubmit={() => void accept()}
      />
      <Action label="Set right" name={`Set ${name} right`} kind="main" onPress={() => void accept()} />
    </View>
  );
}

/** What one student has in a lesson, each number to be set right by hand. */
export function StudentCounts({ lesson, studentId, lookFors }: StudentCountsProps) {
  const palette = usePalette();
  const known = useRecords((state) => state.current.lookFor);
  const sums = useRecords((state) => sumsOf(state.current, lesson.id, studentId));
  const [open, setOpen] = useState<string | null>(null);
  const amountOf = (id: string) => sums.counts.find(({ lookForId }) => lookForId === id)?.amount ?? 0;
  const lessonSeconds = (minutesOf(lesson.endsAt) - minutesOf(lesson.startsAt)) * 60;
  const offered = new Set(lookFors.map(({ id }) => id));
  // A retired one that was counted is still there to be seen.
  const others = sums.counts.flatMap(({ lookForId }) =>
    offered.has(lookForId) ? [] : (known[lookForId] ?? []),
  );
  return (
    <View>
      {[...lookFors, ...others].map((lookFor) => {
        const amount = amountOf(lookFor.id);
        const { name, sign, tone, measure } = lookFor;
        return (
          <View
            key={lookFor.id}
            style={{ borderBottomWidth: 1, borderColor: palette.line, paddingVertical: 2 }}
          >
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2), minHeight: target }}>
              <LookForSign sign={sign} tone={toneColour[tone]} />
              <View style={{ flex: 1 }}>
                <Words lines={1}>{name}</Words>
              </View>
              {measure === 'seconds' ? null : <TallyStrokes count={amount} tone={tone} />}
              <Words figures bold={amount > 0} tone={amount > 0 ? 'ink' : 'inkQuiet'}>
                {measure === 'seconds' ? durationWords(amount) : String(amount)}
              </Words>
              {measure !== 'tick' && (measure === 'count' || amount > 0) ? (
                <IconAction
                  name={`Correct ${name}: ${measure === 'seconds' ? durationWords(amount) : amount}`}
                  icon={Pencil}
                  tone="inkQuiet"
                  onPress={() => {
                    setOpen(open === lookFor.id ? null : lookFor.id);
                  }}
                />
              ) : null}
            </View>
            {open === lookFor.id && measure === 'seconds' ? (
              <DurationField
                key={`${lookFor.id} ${amount}`}
                label={name}
                from={amount}
                most={lessonSeconds}
                onAccept={(to) => {
                  if (to !== amount) correctCount({ lesson, studentId, lookForId: lookFor.id }, amount, to);
                  setOpen(null);
                }}
              />
            ) : null}
            {open === lookFor.id && measure === 'count' ? (
              <Correction
                key={amount}
                name={name}
                from={amount}
                onAccept={(to) => {
                  if (to !== amount) correctCount({ lesson, studentId, lookForId: lookFor.id }, amount, to);
                  setOpen(null);
                }}
              />
            ) : null}
          </View>
        );
      })}
    </View>
  );
}
