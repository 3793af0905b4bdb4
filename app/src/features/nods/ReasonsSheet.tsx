import { useState } from 'react';
import { View } from 'react-native';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { Sheet } from '../../parts/Sheet';
import { forgetTyped } from '../../parts/typed';
import { Words } from '../../parts/Words';
import { makeChange, newId } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';
import { space } from '../../theme/tokens';
import { nodsHistory, useReasons } from './giving';

const form = 'nod reasons';
const most = 40;

/** What nods are for: added, renamed, retired. Nods that were given keep their words. */
export function ReasonsSheet({ onClose }: { onClose: () => void }) {
  const reasons = useReasons();
  const all = useRecords(({ current }) => current.nodReason);
  const retired = Object.values(all).filter(({ removed }) => removed);
  const [typed, setTyped] = useState('');
  const name = typed.trim();
  const isThere = reasons.some((one) => one.name.toLocaleLowerCase() === name.toLocaleLowerCase());
  const error =
    name.length > most ? 'At most 40 characters' : isThere ? 'This one is there already' : undefined;
  const add = () => {
    if (name === '' || error) return;
    const position = Math.max(-1, ...reasons.map((one) => one.position)) + 1;
    makeChange('nodReason.set', { id: newId(), name, position: Math.min(position, 9999) }, nodsHistory);
    forgetTyped(form);
    setTyped('');
  };
  return (
    <Sheet
      title="What nods are for"
      note="Retired ones are offered no more; nods that were given keep their words"
      about={form}
      onClose={onClose}
    >
      <Field label="Another reason" value={typed} onChange={setTyped} error={error} onSubmit={add} />
      <Action label="Add it" kind="main" disabled={name === '' || error !== undefined} onPress={add} />
      {reasons.map((reason) => (
        <Line key={reason.id} words={reason.name} label="Retire" id={reason.id} retired />
      ))}
      {retired.map((reason) => (
        <Line key={reason.id} words={reason.name} label="Use again" id={reason.id} retired={false} />
      ))}
    </Sheet>
  );
}

interface LineProps {
  id: string;
  words: string;
  label: string;
  /** What a tap makes of it. */
  retired: boolean;
}

function Line({ id, words, label, retired }: LineProps) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
      <View style={{ flex: 1 }}>
        <Words tone={retired ? 'ink' : 'inkQuiet'}>{words}</Words>
      </View>
      <Action
        label={label}
        name={`${label}: ${words}`}
        onPress={() => {
          makeChange('nodReason.retire', { id, retired }, nodsHistory);
        }}
      />
    </View>
  );
}
