import { useState } from 'react';
import { unknownBlanks } from '@slate-path/core/phrases/blanks';
import type { Phrase } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { Field } from '../../parts/Field';
import { forgetTyped } from '../../parts/typed';
import { Words } from '../../parts/Words';
import { makeChange } from '../../sync/outbox';
import { BlankKeys } from './BlankKeys';
import { addPhrase, phrasesHistory } from './offers';

export const formOf = (phrase: Phrase | null) => `phrase ${phrase?.id ?? 'new'}`;

const most = 1000;

/** What is wrong with a phrase, in words. */
function wrongIn(text: string): string | undefined {
  const unknown = unknownBlanks(text);
  if (text.trim().length > most) return 'At most 1,000 characters; nothing is lost, shorten it.';
  return unknown.length > 0 ? `Nothing fills {${unknown.join('}, {')}}.` : undefined;
}

/** A sentence with its blanks, and who else uses it. */
export function PhraseForm({ phrase, onAccept }: { phrase: Phrase | null; onAccept: () => void }) {
  const [text, setText] = useState(phrase?.text ?? '');
  const [shared, setShared] = useState(phrase?.shared ?? false);
  const wrong = wrongIn(text);
  const accept = () => {
    if (phrase) makeChange('phrase.set', { id: phrase.id, text: text.trim(), shared }, phrasesHistory);
    else addPhrase(text.trim(), shared);
    forgetTyped(formOf(phrase));
    onAccept();
  };
  return (
    <>
      <Field label="The sentence" value={text} onChange={setText} multiline error={wrong} />
      <Choice
        name="Whose it is"
        value={shared ? 'school' : 'own'}
        options={[
          { value: 'own', label: 'Mine' },
          { value: 'school', label: 'The school’s' },
        ]}
        onChange={(whose) => {
          setShared(whose === 'school');
        }}
      />
      {shared ? (
        <Words tone="inkQuiet">Everybody in the school uses it; you and the school’s keeper change it.</Words>
      ) : null}
      <Action
        label="Keep this phrase"
        kind="main"
        disabled={text.trim() === '' || wrong !== undefined}
        onPress={accept}
      />
      <BlankKeys text={text} onChange={setText} explained />
    </>
  );
}
