import { useMemo, useState } from 'react';
import {
  blanksIn,
  fillBlanks,
  unknownBlanks,
  type BlankName,
  type BlankValues,
} from '@slate-path/core/phrases/blanks';
import { findPhrases } from '@slate-path/core/phrases/order';
import type { Phrase } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { useNow } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import type { Place } from './members';
import { addPhrase, markUsed, useOffered } from './offers';
import type { WrittenAbout } from './writtenAbout';
import { PhraseRow } from './PhraseRow';
import { useMember } from './useBlankValues';
import { valuesFor, valuesOfPlace } from './valuesFor';

type Written = Pick<Phrase, 'id' | 'text'>;

interface PhraseSheetProps {
  /** Null: the phrase is put in with its blanks. */
  about: WrittenAbout | null;
  onPut: (text: string) => void;
  onClose: () => void;
}

/** The class that a text is about: the lesson's, the page's, or the first that the student is in. */
function usePlace(about: WrittenAbout | null): Place | null {
  const { date } = useNow();
  const sectionId = useRecords(({ current }) => {
    const known = about?.lesson?.sectionId ?? about?.sectionId;
    if (known !== undefined && known !== null) return known;
    const enrolments = Object.values(current.enrolment);
    return enrolments.find((one) => !one.removed && one.studentId === about?.studentId)?.sectionId ?? null;
  });
  const lesson = about?.lesson ?? undefined;
  return useMemo(
    () => (sectionId === null ? null : { sectionId, date: lesson?.date ?? date, lesson }),
    [sectionId, lesson, date],
  );
}

/** What fills a phrase's blanks where a text is written about somebody, or about nobody in particular. */
function useValues(about: WrittenAbout | null, wanted: readonly BlankName[]): BlankValues {
  const place = usePlace(about);
  const records = useRecords((state) => state.current);
  const member = useMember(place, about?.studentId ?? null, wanted);
  return member ? valuesFor(records, member) : valuesOfPlace(records, place);
}

/** A phrase to put in: those used most at the top, found by typing; a new one is kept by the way. */
export function PhraseSheet({ about, onPut, onClose }: PhraseSheetProps) {
  const offered = useOffered();
  const [typed, setTyped] = useState('');
  const [chosen, setChosen] = useState<Written | null>(null);
  const wanted = useMemo(() => (chosen ? blanksIn(chosen.text) : []), [chosen]);
  const values = useValues(about, wanted);
  const found = findPhrases(offered, typed);
  const put = (phrase: Written, more: BlankValues = {}) => {
    markUsed(phrase.id);
    onPut(about === null ? phrase.text : fillBlanks(phrase.text, { ...values, ...more }).text);
  };
  const choose = (phrase: Written) => {
    if (about === null || blanksIn(phrase.text).length === 0) put(phrase);
    else setChosen(phrase);
  };
  if (chosen)
    return (
      <Sheet title="Fill its blanks" onClose={onClose}>
        <Blanks
          text={chosen.text}
          values={values}
          onPut={(more) => {
            put(chosen, more);
          }}
        />
      </Sheet>
    );
  const text = typed.trim();
  const unknown = unknownBlanks(text);
  const isNew = text !== '' && found.length === 0;
  return (
    <Sheet title="Phrases" note="Favourites first, then what you used last" onClose={onClose}>
      <Field
        label="Find, or write a new one"
        value={typed}
        onChange={setTyped}
        error={unknown.length > 0 ? `Nothing fills {${unknown.join('}, {')}}.` : undefined}
        hint={offered.length === 0 ? 'Blanks like {name}, {class} or {date} are filled for each student' : ''}
      />
      {isNew ? (
        <Action
          label="Keep it as a phrase and use it"
          kind="main"
          disabled={unknown.length > 0 || text.length > 1000}
          onPress={() => {
            const phrase = { id: addPhrase(text, false), text };
            choose(phrase);
          }}
        />
      ) : null}
      {found.map((one) => (
        <PhraseRow
          key={one.phrase.id}
          offered={one}
          verb="Put in"
          onTap={() => {
            choose(one.phrase);
          }}
        />
      ))}
    </Sheet>
  );
}

interface BlanksProps {
  text: string;
  values: BlankValues;
  onPut: (more: BlankValues) => void;
}

/** What a phrase will say; what the record cannot fill is asked for. */
function Blanks({ text, values, onPut }: BlanksProps) {
  const [typed, setTyped] = useState<BlankValues>({});
  const { missing } = fillBlanks(text, values);
  const filled = fillBlanks(text, { ...values, ...typed });
  return (
    <>
      <Words testID="filled">{filled.text}</Words>
      {missing.map((name) => (
        <Field
          key={name}
          label={name === 'words' ? 'Your own words' : `Nothing is known for {${name}}: write it`}
          value={typed[name] ?? ''}
          onChange={(value) => {
            setTyped({ ...typed, [name]: value });
          }}
        />
      ))}
      <Action
        label="Put it in"
        kind="main"
        disabled={filled.missing.length > 0}
        onPress={() => {
          onPut(typed);
        }}
      />
    </>
  );
}
