import { useState } from 'react';
import { View } from 'react-native';
import { blanksIn } from '@slate-path/core/phrases/blanks';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { Field } from '../../parts/Field';
import { space } from '../../theme/tokens';
import { addPhrase, useOffered } from './offers';
import { BlankKeys } from './BlankKeys';
import { PhraseRow } from './PhraseRow';
import { PhraseSheet } from './PhraseSheet';

/** What is written to each: with its blanks, and what the teacher's own words are. */
export interface Sentenced {
  text: string;
  words: string;
  /** The phrase that it began with. */
  phraseId: string | null;
}

interface SentenceCardProps {
  sentenced: Sentenced;
  unknown: readonly string[];
  onChange: (sentenced: Sentenced) => void;
}

/** Phrases that are a tap away. */
const offeredAtOnce = 3;

/** The sentence: one of the phrases with one tap, or typed. */
export function SentenceCard({ sentenced, unknown, onChange }: SentenceCardProps) {
  const offered = useOffered();
  const [finding, setFinding] = useState(false);
  const { text, words, phraseId } = sentenced;
  const [writing, setWriting] = useState(false);
  const hasWords = blanksIn(text).includes('words');
  const writes = writing || offered.length === 0;
  const isNew = text.trim() !== '' && !offered.some(({ phrase }) => phrase.text === text.trim());
  return (
    <Card style={{ padding: 0 }}>
      {offered.slice(0, offeredAtOnce).map((one) => (
        <PhraseRow
          key={one.phrase.id}
          offered={one}
          verb="Use"
          held={one.phrase.id === phraseId}
          onTap={() => {
            onChange({ ...sentenced, text: one.phrase.text, phraseId: one.phrase.id });
          }}
        />
      ))}
      {offered.length > 0 ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', paddingHorizontal: space(3) }}>
          {offered.length > offeredAtOnce ? (
            <Action
              label={`All ${offered.length} phrases`}
              onPress={() => {
                setFinding(true);
              }}
            />
          ) : null}
          {writes ? null : (
            <Action
              label={text === '' ? 'Write your own' : 'Change the words'}
              onPress={() => {
                setWriting(true);
              }}
            />
          )}
        </View>
      ) : null}
      {writes || hasWords ? (
        <View style={{ padding: space(4), gap: space(2) }}>
          {writes ? <Typed {...{ sentenced, unknown, onChange }} /> : null}
          {hasWords ? (
            <Field
              label="Your own words, the same for all"
              value={words}
              onChange={(typed) => {
                onChange({ ...sentenced, words: typed });
              }}
            />
          ) : null}
          {writes && isNew && unknown.length === 0 ? (
            <Action
              label="Keep it as a phrase"
              style={{ alignSelf: 'flex-start' }}
              onPress={() => {
                onChange({ ...sentenced, phraseId: addPhrase(text.trim().slice(0, 1000), false) });
              }}
            />
          ) : null}
        </View>
      ) : null}
      {finding ? (
        <PhraseSheet
          about={null}
          onPut={(put) => {
            const found = offered.find(({ phrase }) => phrase.text === put);
            onChange({ ...sentenced, text: put, phraseId: found?.phrase.id ?? null });
            setFinding(false);
          }}
          onClose={() => {
            setFinding(false);
          }}
        />
      ) : null}
    </Card>
  );
}

/** The sentence itself, with what can stand in it. */
function Typed({ sentenced, unknown, onChange }: SentenceCardProps) {
  const write = (text: string) => {
    onChange({ ...sentenced, text });
  };
  return (
    <>
      <Field
        label="The sentence"
        value={sentenced.text}
        onChange={write}
        multiline
        error={unknown.length > 0 ? `Nothing fills {${unknown.join('}, {')}}.` : undefined}
      />
      <BlankKeys text={sentenced.text} onChange={write} />
    </>
  );
}
