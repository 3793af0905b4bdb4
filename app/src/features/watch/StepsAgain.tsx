import { View } from 'react-native';
import { localMoment } from '@slate-path/core/calendar/zone';
import { displayName } from '@slate-path/core/people/names';
import type { Step } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { dayMonth, longDay } from '../../parts/dates';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { notesHistory } from '../notes/write';
import { OpenPath } from './path/OpenPath';
import { zoneOf } from '../../sync/clock';
import { makeChange } from '../../sync/outbox';
import { useSectionName } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';
import { concernName } from './concernName';

/** One step whose day has come, or will: what was done, and that it was looked at. */
function StepAgain({ step, today }: { step: Step; today: string }) {
  const student = useRecords((state) => state.current.student[step.studentId]);
  const className = useSectionName(step.sectionId);
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  const { id, studentId, kind, text, concern, lookAgainOn } = step;
  if (!student || lookAgainOn === null) return null;
  const name = displayName(student);
  const about = [concern ? concernName(concern).toLowerCase() : '', className].filter(Boolean);
  const taken = dayMonth(localMoment(Date.parse(step.at), zone).date);
  return (
    <View style={{ gap: space(2) }}>
      <Words bold>
        {lookAgainOn < today ? `${longDay(lookAgainOn)}, not settled yet` : longDay(lookAgainOn)}
      </Words>
      <Card style={{ gap: space(1) }}>
        <Words bold>{[name, ...about].join(', ')}</Words>
        <Words>{`${kind} on ${taken}${text ? `: ${text}` : ''}`}</Words>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
          <Action
            label="Looked at"
            name={`Looked at ${name} again`}
            onPress={() => {
              makeChange('step.set', { id, studentId, kind, text, lookAgainOn: null }, notesHistory);
            }}
          />
          <OpenPath student={student} />
        </View>
      </Card>
    </View>
  );
}

/** Steps to be looked at again. */
export function StepsAgain({
  title,
  steps,
  today,
}: {
  title: string;
  steps: readonly Step[];
  today: string;
}) {
  if (steps.length === 0) return null;
  return (
    <View style={{ gap: space(3), flex: 1 }}>
      <Words size="large" serif heading={2}>
        {`${title}: ${steps.length}`}
      </Words>
      {steps.map((step) => (
        <StepAgain key={step.id} step={step} today={today} />
      ))}
    </View>
  );
}
