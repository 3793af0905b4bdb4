import { useState } from 'react';
import { View } from 'react-native';
import type { Edit } from '@slate-path/core/changes/edit';
import { planHistory } from '@slate-path/core/observation/closeWatch/history';
import { fewestInPhase, type Phase } from '@slate-path/core/observation/closeWatch/phases';
import { numberWords, percentWords, valueWords } from '@slate-path/core/observation/closeWatch/words';
import type { ObservationPlan } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../../parts/Action';
import { dayMonth } from '../../../parts/dates';
import { DateField } from '../../../parts/DateField';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { readDate } from '../../../forms/readDate';
import { useNow } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { space } from '../../../theme/tokens';
import { dateOf } from './times';

const ofPhases = ({ table }: Edit) => table === 'observationPhase';

interface PhasesProps {
  plan: ObservationPlan;
  studentId: string;
  phases: readonly Phase[];
}

/** How much a line rises in a week. */
function trendWords(plan: ObservationPlan, { trend }: Phase): string {
  if (!trend) return '';
  const week = trend.slope * 7;
  const rise =
    plan.method === 'frequency'
      ? `${numberWords(week)} a minute`
      : plan.method === 'latency'
        ? `${numberWords(week)} s`
        : `${numberWords(week)} points`;
  return `Trend by Theil and Sen: ${week > 0 ? '+' : ''}${rise} a week.`;
}

/** What a phase says beside the one before it. */
function overlapWords({ tone }: ObservationPlan, { overlap }: Phase): string {
  if (!overlap) return '';
  const { better, worse, same } = overlap.pairs;
  const [up, down] = tone === 'neutral' ? ['more', 'less'] : ['better', 'worse'];
  const all = better + worse + same;
  return `Beside the phase before: ${better} of ${many(all, 'pair')} ${up}, ${worse} ${down}: Tau ${numberWords(overlap.tau)}, Tau-U ${numberWords(overlap.tauU)} (less the trend before; Parker and others 2011). ${percentWords(overlap.nonOverlapping)} of the sessions lie beyond the best before (PND; Scruggs and others 1987).`;
}

interface PhaseSheetProps extends Pick<PhasesProps, 'plan' | 'studentId'> {
  onClose: () => void;
}

/** From when on something is different: a step that was taken, or whatever else. */
function PhaseSheet({ plan, studentId, onClose }: PhaseSheetProps) {
  const today = useNow().date;
  const steps = useRecords(({ current }) => current.step);
  const [startsOn, setStartsOn] = useState(today);
  const [name, setName] = useState('');
  const [error, setError] = useState<string>();
  const own = Object.values(steps).filter((step) => !step.removed && step.studentId === studentId);
  const keep = (from: string, called: string) => {
    const day = readDate(from);
    if (!/^\d{4}-\d{2}-\d{2}$/.test(day)) {
      setError('A day looks like 2026-11-23');
      return;
    }
    if (called.trim() === '') {
      setError('What changed?');
      return;
    }
    const values = { planId: plan.id, studentId, startsOn: day, name: called.trim().slice(0, 80) };
    makeChange('observationPhase.set', { id: newId(), ...values }, planHistory(plan.id));
    onClose();
  };
  return (
    <Sheet
      title="What changed, and from when on?"
      note="Sessions from that day on are a phase of their own; what was before the first is the baseline."
      onClose={onClose}
    >
      {own.length > 0 ? (
        <Words size="small" tone="inkQuiet">
          A step that you took
        </Words>
      ) : null}
      {own.map((step) => {
        const called = step.text === '' ? step.kind : `${step.kind}, ${step.text}`;
        const words = `${dayMonth(dateOf(step.at))}: ${called}`;
        return (
          <Action
            key={step.id}
            label={words}
            style={{ alignSelf: 'flex-start' }}
            onPress={() => {
              keep(dateOf(step.at), called);
            }}
          />
        );
      })}
      <DateField label="From this day on" value={startsOn} onChange={setStartsOn} />
      <Field
        label="What changed"
        value={name}
        onChange={setName}
        error={error}
        placeholder="A seat in front"
      />
      <Action
        label="Keep it"
        name="Keep it: a change"
        kind="main"
        onPress={() => {
          keep(startsOn, name);
        }}
      />
    </Sheet>
  );
}

/** The phases of one student in words, each with its median, its trend and how far it lies from the one before. */
export function Phases({ plan, studentId, phases }: PhasesProps) {
  const [adding, setAdding] = useState(false);
  const changes = useRecords(({ current }) => current.observationPhase);
  const own = Object.values(changes).filter(
    (change) =>
      !change.removed &&
      change.planId === plan.id &&
      (change.studentId === null || change.studentId === studentId),
  );
  const few = phases.length > 1 && phases.some(({ values }) => values.length < fewestInPhase);
  return (
    <View style={{ gap: space(2) }}>
      {phases.map((phase, index) => (
        <View key={phase.startsOn ?? ''}>
          <Words>
            <Words bold>{index === 0 ? 'Baseline' : phase.name}</Words>
            {`${phase.startsOn === null ? '' : `, since ${dayMonth(phase.startsOn)}`}: ${many(phase.values.length, 'session')}${phase.median === null ? '' : `, median ${valueWords(plan.method, phase.median)}`}. ${trendWords(plan, phase)}`}
          </Words>
          {phase.overlap ? <Words tone="inkQuiet">{overlapWords(plan, phase)}</Words> : null}
        </View>
      ))}
      {few ? (
        <Words size="small" tone="inkQuiet">
          {`With fewer than ${fewestInPhase} sessions in a phase these are hints. Sessions that follow each other resemble each other; no number here says that a step was the cause.`}
        </Words>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(3) }}>
        <Action
          label="Something changed"
          onPress={() => {
            setAdding(true);
          }}
        />
        {own.map(({ id, name, startsOn }) => (
          <Action
            key={id}
            label={`Remove “${name}”`}
            name={`Remove the change of ${dayMonth(startsOn)}: ${name}`}
            onPress={() => {
              makeChange(
                'observationPhase.remove',
                { id, planId: plan.id, removed: true },
                planHistory(plan.id),
              );
            }}
          />
        ))}
        <TakeBack about={planHistory(plan.id)} of="phases" concerns={ofPhases} />
      </View>
      {adding ? (
        <PhaseSheet
          {...{ plan, studentId }}
          onClose={() => {
            setAdding(false);
          }}
        />
      ) : null}
    </View>
  );
}
