import { useState } from 'react';
import { View } from 'react-native';
import { draftSummary, type SummaryInput } from '@slate-path/core/watch/signals/summary';
import type { PathSummary } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { longDay } from '../../../parts/dates';
import { Field } from '../../../parts/Field';
import { readTyped } from '../../../parts/typed';
import { useWritten } from '../../../parts/useWritten';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { copyText } from '../../../files/give';
import { now } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { PhraseButton } from '../../phrases/PhraseButton';
import { FactLine } from './FactLine';

/** A draft from the facts, set right by the teacher and kept; each sentence leads to its records. */
export function Summary({
  studentId,
  input,
  kept,
}: {
  studentId: string;
  input: SummaryInput;
  kept: readonly PathSummary[];
}) {
  const [isEdited, setEdited] = useState(() => readTyped(`summary ${studentId}`, '') !== null);
  const [said, setSaid] = useState('');
  const [isOpen, setOpen] = useState(false);
  const facts = draftSummary(input);
  const [last] = kept.toSorted((a, b) => (a.at < b.at ? 1 : -1));
  // A draft that was opened and left as it is was not set right by anybody, so it is not kept by itself.
  const [drafted, setDrafted] = useState<string | null>(null);
  const keep = (typed: string) => {
    const words = typed.trim();
    if (words === '') return false;
    const at = new Date(now()).toISOString();
    if (words !== last?.text)
      makeChange('pathSummary.keep', { id: newId(), studentId, at, text: words }, studentId);
    return true;
  };
  const written = useWritten(`summary ${studentId}`, drafted ?? last?.text ?? '', keep);
  const close = () => {
    setDrafted(null);
    setEdited(false);
  };
  const { text } = written;
  return (
    <Card style={{ gap: space(2) }}>
      <Words size="large" serif heading={2}>
        Summary
      </Words>
      {isEdited ? null : (
        <>
          {last ? (
            <>
              <Words>{last.text}</Words>
              <Words tone="inkQuiet">{`As you kept it on ${longDay(last.at.slice(0, 10))}.`}</Words>
            </>
          ) : (
            facts.map((fact) => <FactLine key={fact.sentence} fact={fact} />)
          )}
          {facts.length === 0 && !last ? <Words tone="inkQuiet">There is nothing to say yet.</Words> : null}
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
            <Action
              label={last ? 'Draft it anew' : 'Edit the draft'}
              onPress={() => {
                setDrafted(facts.map(({ sentence }) => sentence).join(' '));
                setEdited(true);
              }}
            />
            {last ? (
              <Action
                label="Edit"
                name="Edit the summary"
                onPress={() => {
                  setEdited(true);
                }}
              />
            ) : null}
            {last ? (
              <Action
                label="Copy"
                name="Copy the summary"
                onPress={() => {
                  void copyText(last.text).then(setSaid);
                }}
              />
            ) : null}
          </View>
          {last && facts.length > 0 ? (
            <Action
              label={isOpen ? 'Hide the facts' : 'The facts as they are now'}
              onPress={() => {
                setOpen(!isOpen);
              }}
            />
          ) : null}
          {last && isOpen ? facts.map((fact) => <FactLine key={fact.sentence} fact={fact} />) : null}
          {said ? (
            <Words tone="inkQuiet" live>
              {said}
            </Words>
          ) : null}
        </>
      )}
      {isEdited ? (
        <>
          <Field
            label="Set it right"
            value={text}
            onChange={written.write}
            multiline
            end={
              <PhraseButton
                about={{ studentId, sectionId: null, lesson: null }}
                text={text}
                onChange={written.write}
              />
            }
            error={text.trim() === '' ? 'There is nothing in it' : undefined}
          />
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
            <Action
              label="Keep"
              kind="main"
              disabled={text.trim() === ''}
              onPress={() => {
                if (written.changed) written.save();
                else keep(text);
                close();
              }}
            />
            <Action
              label="Leave it as it was"
              onPress={() => {
                written.giveUp();
                close();
              }}
            />
          </View>
        </>
      ) : null}
    </Card>
  );
}
