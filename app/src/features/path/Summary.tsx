import { useState } from 'react';
import { View } from 'react-native';
import { draftSummary, type SummaryInput } from '@slate-path/core/signals/summary';
import type { PathSummary } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { longDay } from '../../parts/dates';
import { Field } from '../../parts/Field';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { copyText } from '../files/give';
import { now } from '../records/clock';
import { makeChange, newId } from '../records/outbox';
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
  const [text, setText] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const [isOpen, setOpen] = useState(false);
  const facts = draftSummary(input);
  const [last] = kept.toSorted((a, b) => (a.at < b.at ? 1 : -1));
  return (
    <Card style={{ gap: space(2) }}>
      <Words size="large" serif heading={2}>
        Summary
      </Words>
      {text === null ? (
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
                setText(facts.map(({ sentence }) => sentence).join(' '));
              }}
            />
            {last ? (
              <Action
                label="Edit"
                name="Edit the summary"
                onPress={() => {
                  setText(last.text);
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
              kind="plain"
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
      ) : (
        <>
          <Field
            label="Set it right"
            value={text}
            onChange={setText}
            multiline
            error={text.trim() === '' ? 'There is nothing in it' : undefined}
          />
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
            <Action
              label="Keep"
              kind="main"
              disabled={text.trim() === ''}
              onPress={() => {
                makeChange(
                  'pathSummary.keep',
                  { id: newId(), studentId, at: new Date(now()).toISOString(), text: text.trim() },
                  studentId,
                );
                setText(null);
              }}
            />
            <Action
              label="Leave it"
              kind="plain"
              onPress={() => {
                setText(null);
              }}
            />
          </View>
        </>
      )}
    </Card>
  );
}
