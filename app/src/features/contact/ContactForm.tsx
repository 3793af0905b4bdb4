import { useState } from 'react';
import { addDays } from '@slate-path/core/calendar/localTime';
import { isDate } from '@slate-path/core/calendar/isDate';
import {
  contactTones,
  contactWays,
  toneNames,
  wayNames,
  type ContactTone,
  type ContactWay,
} from '@slate-path/core/contact/tones';
import type { Step } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { DateField } from '../../parts/DateField';
import { Field } from '../../parts/Field';
import { forgetTyped } from '../../parts/typed';
import { readDate } from '../../forms/readDate';
import { now as rightNow, useNow } from '../../sync/clock';
import { makeChange, newId } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';
import { PhraseButton } from '../phrases/PhraseButton';

interface ContactFormProps {
  about: Pick<Step, 'studentId' | 'sectionId' | 'concern'>;
  /** What it is, unless it is chosen otherwise. */
  tone: ContactTone;
  /** Under which name what is typed is kept. */
  form: string;
  /** Whose history it is in. */
  history: string;
  onDone: () => void;
}

const somebodyElse = '';
const theStudent = 'student';
/** What was done about a concern is looked at again after so many days. */
const usualDays = 14;
const longest = { text: 2000, name: 200 };

/** Whom one may have talked to: the guardians by name, the student, somebody else. */
function useWhom(studentId: string) {
  const guardians = useRecords(({ current }) => current.guardian);
  const names = Object.values(guardians)
    .filter((one) => !one.removed && one.studentId === studentId)
    .map(({ name }) => name);
  return [
    ...[...new Set(names)].map((name) => ({ value: `g ${name}`, label: name })),
    { value: somebodyElse, label: names.length > 0 ? 'Somebody else at home' : 'Somebody at home' },
    { value: theStudent, label: 'The student' },
  ];
}

/** A call, a talk or a letter on paper: with whom, whether they were reached, what they heard, when to look again. */
export function ContactForm({ about, tone: usual, form, history, onDone }: ContactFormProps) {
  const { date } = useNow();
  const people = useWhom(about.studentId);
  const [way, setWay] = useState<ContactWay>('call');
  const [whom, setWhom] = useState(people[0]?.value ?? somebodyElse);
  const [other, setOther] = useState('');
  const [isReached, setReached] = useState(true);
  const [tone, setTone] = useState<ContactTone>(usual);
  const [text, setText] = useState('');
  const [again, setAgain] = useState(about.concern === null ? '' : addDays(date, usualDays));
  const [error, setError] = useState<string>();
  const tooLong = text.trim().length > longest.text || other.trim().length > longest.name;
  const keep = () => {
    const day = again.trim() === '' ? null : readDate(again);
    const wrong =
      day === null
        ? undefined
        : isDate(day)
          ? day <= date
            ? 'A day after today'
            : undefined
          : 'A date looks like 2026-11-23';
    setError(wrong);
    if (wrong !== undefined) return;
    const withWhom = whom.startsWith('g ') ? whom.slice(2) : whom === somebodyElse ? other.trim() : '';
    const toWhom = whom === theStudent ? ('student' as const) : ('guardians' as const);
    makeChange(
      'step.take',
      {
        ...{ id: newId(), ...about, at: new Date(rightNow()).toISOString(), text: text.trim() },
        ...{ kind: toWhom === 'student' ? 'Talk' : 'Contact home', lookAgainOn: day },
        contact: { way, toWhom, withWhom: withWhom.slice(0, longest.name), isReached, tone },
      },
      history,
    );
    forgetTyped(form);
    onDone();
  };
  return (
    <>
      <Choice
        name="How"
        value={way}
        options={contactWays.map((value) => ({ value, label: wayNames[value] }))}
        onChange={setWay}
      />
      <Choice name="With whom" value={whom} options={people} onChange={setWhom} />
      {whom === somebodyElse ? (
        <Field label="Who (may stay empty)" value={other} onChange={setOther} />
      ) : null}
      <Choice
        name="Whether they were reached"
        value={isReached ? 'yes' : 'no'}
        options={[
          { value: 'yes', label: 'Reached' },
          { value: 'no', label: 'Not reached' },
        ]}
        onChange={(answer) => {
          setReached(answer === 'yes');
        }}
      />
      <Choice
        name="What they heard"
        value={tone}
        options={contactTones.map((value) => ({ value, label: toneNames[value] }))}
        onChange={setTone}
      />
      <Field
        label="What was said (may stay empty)"
        value={text}
        onChange={setText}
        multiline
        error={tooLong ? 'Too long; nothing is lost, shorten it.' : undefined}
        end={<PhraseButton about={{ ...about, lesson: null }} text={text} onChange={setText} />}
      />
      <DateField label="Look again on (empty: no day)" value={again} onChange={setAgain} error={error} />
      <Action label="Keep this contact" kind="main" disabled={tooLong} onPress={keep} />
    </>
  );
}
