import { useState } from 'react';
import { View } from 'react-native';
import {
  asksByInterval,
  mostWatched,
  observationMethods,
  signalWays,
  type ObservationMethod,
  type SignalWay,
} from '@slate-path/core/observation/closeWatch/limits';
import { methodWords } from '@slate-path/core/observation/closeWatch/methods';
import { planHistory } from '@slate-path/core/observation/closeWatch/history';
import { shippedAfters, shippedBefores } from '@slate-path/core/observation/closeWatch/shipped';
import { durationWords, readDuration } from '@slate-path/core/observation/tallies/duration';
import type { ObservationPlan } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { choicePhrase, Sentence } from '../../../parts/Sentence';
import { SeveralOf } from '../../../parts/SeveralOf';
import { forgetTyped } from '../../../parts/typed';
import { Typing } from '../../../parts/Typing';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { check } from '../../../forms/check';
import { makeChange, newId } from '../../../sync/outbox';

export interface Watchable {
  id: string;
  name: string;
}

interface PlanFormProps {
  sectionId: string;
  plan: ObservationPlan | null;
  students: readonly Watchable[];
  onAccept: (plan: ObservationPlan) => void;
  onCancel?: (() => void) | undefined;
}

const tones: { value: ObservationPlan['tone']; label: string }[] = [
  { value: 'wanted', label: 'Wanted' },
  { value: 'neutral', label: 'Neutral' },
  { value: 'unwanted', label: 'Unwanted' },
];
const signalWords: Record<SignalWay, string> = {
  both: 'vibration and flash',
  vibration: 'vibration alone',
  flash: 'flash alone',
  none: 'no signal',
};
const usual = {
  interval: [10, 15, 20, 30, 60, 120, 300],
  record: [0, 5, 10, 15],
  length: [300, 600, 900, 1200, 1800, 2700],
};
/** What a method begins with. */
const fresh = {
  momentary: { intervalSeconds: 60, recordSeconds: 0 },
  byInterval: { intervalSeconds: 15, recordSeconds: 5 },
};
const other = 'other';

/** Times to choose from, in words, the present one among them. */
function timeOptions(seconds: readonly number[], present: number, none = '') {
  const all = [...new Set([...seconds, present])].sort((a, b) => a - b);
  return [
    ...all.map((value) => ({ value: String(value), label: value === 0 ? none : durationWords(value) })),
    { value: other, label: 'another time' },
  ];
}

interface TypedTimeProps {
  label: string;
  onTime: (seconds: number) => void;
}

/** A time that is not among the usual ones. */
function TypedTime({ label, onTime }: TypedTimeProps) {
  const [typed, setTyped] = useState('');
  const [error, setError] = useState<string>();
  const accept = () => {
    const seconds = readDuration(typed);
    if (seconds === null) setError('A time looks like 45 s, or 3 min 20 s');
    else onTime(seconds);
  };
  return (
    <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: space(2) }}>
      <Field label={label} value={typed} onChange={setTyped} width={170} error={error} onSubmit={accept} />
      <Action label="Take it" name={`Take it: ${label}`} onPress={accept} />
    </View>
  );
}

const listOfWords = (typed: string) =>
  typed
    .split(/[,;\n]/)
    .map((word) => word.trim())
    .filter(Boolean);

type Times = Pick<ObservationPlan, 'recordSeconds' | 'lengthSeconds'> & { intervalSeconds: number };

/** What is watched, of whom, and how: the last as a sentence. */
export function PlanForm({ sectionId, plan, students, onAccept, onCancel }: PlanFormProps) {
  const [name, setName] = useState(plan?.name ?? '');
  const [definition, setDefinition] = useState(plan?.definition ?? '');
  const [tone, setTone] = useState<ObservationPlan['tone']>(plan?.tone ?? 'wanted');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set(plan?.studentIds));
  const [method, setMethod] = useState<ObservationMethod>(plan?.method ?? 'momentary');
  const [signal, setSignal] = useState<SignalWay>(plan?.signal ?? 'both');
  const [times, setTimes] = useState<Times>({
    intervalSeconds: plan?.intervalSeconds ?? fresh.momentary.intervalSeconds,
    recordSeconds: plan?.recordSeconds ?? fresh.momentary.recordSeconds,
    lengthSeconds: plan?.lengthSeconds ?? 600,
  });
  const [typing, setTyping] = useState<keyof Times | null>(null);
  const [befores, setBefores] = useState((plan?.befores ?? shippedBefores).join(', '));
  const [afters, setAfters] = useState((plan?.afters ?? shippedAfters).join(', '));
  const [errors, setErrors] = useState<Record<string, string>>({});
  const form = `close watch ${plan?.id ?? `new ${sectionId}`}`;
  const byInterval = asksByInterval(method);
  const hasRecord = method === 'partial_interval' || method === 'whole_interval';
  const change = (some: Partial<Times>) => {
    setTimes((before) => ({ ...before, ...some }));
    setTyping(null);
  };
  const choose = (next: ObservationMethod) => {
    setMethod(next);
    // What goes on between signals needs shorter intervals, and a moment to write it down.
    const isFresh = plan === null && times.intervalSeconds === fresh.momentary.intervalSeconds;
    if (isFresh && (next === 'partial_interval' || next === 'whole_interval')) change(fresh.byInterval);
  };
  const timePhrase = (field: keyof Times, words: string, label: string, none?: string) =>
    choicePhrase({
      name: label,
      // A time is not cut in two.
      words: words.replaceAll(' ', '\u00a0'),
      value: String(times[field]),
      options: timeOptions(
        usual[field === 'intervalSeconds' ? 'interval' : field === 'recordSeconds' ? 'record' : 'length'],
        times[field],
        none,
      ),
      onChange: (value) => {
        if (value === other) setTyping(field);
        else change({ [field]: Number(value) });
      },
    });
  const accept = async () => {
    const read = await check('ObservationPlanFields', {
      ...{ id: plan?.id ?? newId(), sectionId, name, definition, tone, method, signal },
      ...{ studentIds: students.map(({ id }) => id).filter((id) => chosen.has(id)) },
      intervalSeconds: byInterval ? times.intervalSeconds : null,
      recordSeconds: hasRecord ? times.recordSeconds : 0,
      lengthSeconds: times.lengthSeconds,
      ...{ befores: listOfWords(befores), afters: listOfWords(afters) },
    });
    if (read.errors) {
      setErrors(read.errors);
      return;
    }
    makeChange('observationPlan.set', read.data, planHistory(read.data.id));
    forgetTyped(form);
    onAccept({ ...read.data, removed: false });
  };
  const wrong = [
    errors['studentIds'],
    errors['intervalSeconds'],
    errors['recordSeconds'],
    errors['lengthSeconds'],
  ].filter(Boolean);
  const typedLabel = {
    intervalSeconds: 'Length of an interval',
    recordSeconds: 'Time to write down',
    lengthSeconds: 'Length of a session',
  };
  return (
    <View style={{ gap: space(4), maxWidth: 720 }}>
      <Typing about={form}>
        <Field
          label="What is watched"
          value={name}
          onChange={setName}
          error={errors['name']}
          placeholder="On task"
        />
        <Field
          label="It counts when (so that a second observer means the same)"
          value={definition}
          onChange={setDefinition}
          error={errors['definition']}
          placeholder="Eyes on the page or on who speaks"
        />
      </Typing>
      <View style={{ gap: space(2) }}>
        <Words size="small" tone="inkQuiet">{`Who: ${chosen.size} of at most ${mostWatched}`}</Words>
        <SeveralOf
          name="Who is watched"
          values={chosen}
          options={students.map(({ id, name: label }) => ({ value: id, label }))}
          onChange={setChosen}
        />
      </View>
      <Choice name="Tone" value={tone} options={tones} onChange={setTone} />
      <View style={{ gap: space(1) }}>
        <Sentence
          parts={[
            'By ',
            choicePhrase({
              name: 'choose the method',
              value: method,
              options: observationMethods.map((value) => ({ value, label: methodWords[value].name })),
              words: methodWords[method].name.toLowerCase(),
              onChange: choose,
            }),
            ...(byInterval
              ? [
                  method === 'momentary' ? ', every ' : ', ',
                  timePhrase(
                    'intervalSeconds',
                    durationWords(times.intervalSeconds),
                    'choose the length of an interval',
                  ),
                  method === 'momentary' ? '' : ' each',
                ]
              : []),
            ...(hasRecord
              ? [
                  ' and ',
                  timePhrase(
                    'recordSeconds',
                    times.recordSeconds === 0 ? 'no time' : durationWords(times.recordSeconds),
                    'choose the time to write down',
                    'no time',
                  ),
                  ' to write down',
                ]
              : []),
            ', for ',
            timePhrase('lengthSeconds', durationWords(times.lengthSeconds), 'choose the length of a session'),
            ...(byInterval
              ? [
                  ', with ',
                  choicePhrase({
                    name: 'choose the signal',
                    value: signal,
                    options: signalWays.map((value) => ({ value, label: signalWords[value] })),
                    onChange: setSignal,
                  }),
                ]
              : []),
            '.',
          ]}
        />
        <Words size="small" tone="inkQuiet">
          {methodWords[method].about}
        </Words>
        {typing ? (
          <TypedTime
            key={typing}
            label={typedLabel[typing]}
            onTime={(seconds) => {
              change({ [typing]: seconds });
            }}
          />
        ) : null}
      </View>
      <Field
        label="Words for what comes before, with commas"
        value={befores}
        onChange={setBefores}
        error={errors['befores']}
      />
      <Field
        label="Words for what follows, with commas"
        value={afters}
        onChange={setAfters}
        error={errors['afters']}
      />
      {wrong.length > 0 ? (
        <Words tone="ember" live>
          {wrong.join('. ')}
        </Words>
      ) : null}
      <View style={{ flexDirection: 'row', gap: space(3) }}>
        <Action
          label={plan ? 'Change it' : 'Keep it'}
          name={plan ? 'Change it: what is watched' : 'Keep it: what is watched'}
          kind="main"
          onPress={() => void accept()}
        />
        {onCancel ? <Action label="Not now" onPress={onCancel} /> : null}
      </View>
    </View>
  );
}
