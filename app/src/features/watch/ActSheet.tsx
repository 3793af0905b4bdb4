import { isDate } from '@slate-path/core/calendar/isDate';
import { addDays } from '@slate-path/core/calendar/localTime';
import { displayName } from '@slate-path/core/people/names';
import type { Concern } from '@slate-path/core/watch/signals/names';
import { useState } from 'react';
import { View } from 'react-native';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { DateField } from '../../parts/DateField';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { forgetTyped } from '../../parts/typed';
import { space } from '../../theme/tokens';
import { readDate } from '../../forms/readDate';
import { now as rightNow, useNow } from '../../sync/clock';
import { makeChange, newId } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';
import { ContactForm } from '../contact/lazyPages';
import { PhraseButton } from '../phrases/PhraseButton';
import { watchAbout, type Shown } from './useWatch';

const kinds = ['Talk', 'Contact home', 'New seat', 'Plan', 'Refer', 'Other'] as const;
type StepKind = (typeof kinds)[number];
type Way = 'step' | 'aside' | 'none';

/** What was tapped to come here: a step that is chosen already, putting aside, or anything. */
export type ActWay = 'talk' | 'home' | 'aside' | 'any';

const formOf = ({ studentId, sectionId, concern }: Omit<About, 'concern'> & { concern: string }) =>
  `act ${studentId} ${sectionId} ${concern}`;

interface ActSheetProps {
  /** What concerns one student, the strongest first: a step is about that, all of it is put aside. */
  shown: readonly [Shown, ...Shown[]];
  way?: ActWay;
  onClose: () => void;
}

/** What to do about a concern: a step with a day to look again, put it aside to a day, or say why it is none. */
export default function ActSheet({ shown, way: tapped = 'any', onClose }: ActSheetProps) {
  const [{ item }] = shown;
  const student = useRecords((state) => state.current.student[item.studentId]);
  const form = formOf(item);
  const [way, setWay] = useState<Way>(tapped === 'aside' ? 'aside' : 'step');
  const concerns = shown.map(({ item: { studentId, sectionId, concern, strength } }) => ({
    about: { studentId, sectionId, concern: concern as Concern },
    strength,
  }));
  const about = concerns[0]?.about;
  if (!about) return null;
  return (
    <Sheet
      title={student ? displayName(student) : 'Act'}
      note="You decide; nothing is done about anybody by itself."
      about={form}
      onClose={onClose}
    >
      <Choice<Way>
        name="What to do"
        value={way}
        options={[
          { value: 'step', label: 'Take a step' },
          { value: 'aside', label: 'Put aside' },
          { value: 'none', label: 'Not a concern' },
        ]}
        onChange={setWay}
      />
      {way === 'step' ? (
        <StepForm about={about} first={tapped === 'home' ? 'Contact home' : 'Talk'} onClose={onClose} />
      ) : (
        <QuietForm key={way} about={about} concerns={concerns} forGood={way === 'none'} onClose={onClose} />
      )}
    </Sheet>
  );
}

interface About {
  studentId: string;
  sectionId: string;
  concern: Concern;
}

const notADate = 'A date looks like 2026-11-23';

interface StepFormProps {
  about: About;
  first: StepKind;
  onClose: () => void;
}

function StepForm({ about, first, onClose }: StepFormProps) {
  const { date } = useNow();
  const [kind, setKind] = useState<StepKind>(first);
  const [own, setOwn] = useState('');
  const [text, setText] = useState('');
  const [again, setAgain] = useState(addDays(date, 14));
  const [errors, setErrors] = useState<{ own?: string; again?: string }>({});
  const take = () => {
    const day = again.trim() === '' ? null : readDate(again);
    const name = kind === 'Other' ? own.trim() : kind;
    const found = {
      ...(name === '' ? { own: 'What was done?' } : {}),
      ...(day !== null && !isDate(day) ? { again: notADate } : {}),
      ...(day !== null && isDate(day) && day <= date ? { again: 'A day after today' } : {}),
    };
    setErrors(found);
    if (Object.keys(found).length > 0) return;
    makeChange(
      'step.take',
      {
        id: newId(),
        ...about,
        at: new Date(rightNow()).toISOString(),
        kind: name,
        text: text.trim(),
        lookAgainOn: day,
        contact: null,
      },
      watchAbout,
    );
    forgetTyped(formOf(about));
    onClose();
  };
  const rest = (
    <>
      {kind === 'Other' ? (
        <Field label="What you did" value={own} onChange={setOwn} error={errors.own} />
      ) : null}
      <Field
        label="A few words (may stay empty)"
        value={text}
        onChange={setText}
        multiline
        end={<PhraseButton about={{ ...about, lesson: null }} text={text} onChange={setText} />}
      />
      <DateField
        label="Look again on (empty: no day)"
        value={again}
        onChange={setAgain}
        error={errors.again}
      />
      <Action label="Keep this step" kind="main" onPress={take} />
    </>
  );
  return (
    <>
      <Choice
        name="Step"
        value={kind}
        options={kinds.map((value) => ({ value, label: value }))}
        onChange={setKind}
      />
      {kind === 'Contact home' ? (
        <ContactForm about={about} tone="worry" form={formOf(about)} history={watchAbout} onDone={onClose} />
      ) : (
        rest
      )}
    </>
  );
}

interface QuietFormProps {
  about: About;
  concerns: readonly { about: About; strength: number }[];
  forGood: boolean;
  onClose: () => void;
}

function QuietForm({ about, concerns, forGood, onClose }: QuietFormProps) {
  const { date } = useNow();
  const [until, setUntil] = useState(addDays(date, 14));
  const [because, setBecause] = useState('');
  const [errors, setErrors] = useState<{ until?: string; because?: string }>({});
  const keep = () => {
    const day = forGood ? null : readDate(until);
    const found = {
      ...(day !== null && (!isDate(day) || day <= date)
        ? { until: isDate(day) ? 'A day after today' : notADate }
        : {}),
      ...(forGood && because.trim() === '' ? { because: 'Say why, so that others and you later know' } : {}),
    };
    setErrors(found);
    if (Object.keys(found).length > 0) return;
    const at = new Date(rightNow()).toISOString();
    for (const concern of concerns)
      makeChange(
        'concern.quiet',
        { ...concern.about, strength: concern.strength, at, until: day, because: because.trim() },
        watchAbout,
      );
    forgetTyped(formOf(about));
    onClose();
  };
  return (
    <>
      {forGood ? null : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
          {[7, 14, 28].map((days) => (
            <Action
              key={days}
              label={`${days / 7} week${days === 7 ? '' : 's'}`}
              onPress={() => {
                setUntil(addDays(date, days));
              }}
            />
          ))}
        </View>
      )}
      {forGood ? null : <DateField label="Until" value={until} onChange={setUntil} error={errors.until} />}
      <Field
        label={forGood ? 'Not a concern, because' : 'Why (may stay empty)'}
        value={because}
        onChange={setBecause}
        error={errors.because}
        multiline
      />
      <Words tone="inkQuiet">It comes back sooner if it gets clearly worse.</Words>
      <Action label={forGood ? 'Keep it off the list' : 'Put aside'} kind="main" onPress={keep} />
    </>
  );
}
