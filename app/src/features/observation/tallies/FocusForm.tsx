import { useState } from 'react';
import { View } from 'react-native';
import type { Focus, LookFor } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { forgetTyped } from '../../../parts/typed';
import { check } from '../../../forms/check';
import { makeChange, newId } from '../../../sync/outbox';

interface FocusFormProps {
  focus: Focus | null;
  lookFors: readonly LookFor[];
  onClose: () => void;
}

/** A set: its name, and the few look-fors in it. */
export function FocusForm({ focus, lookFors, onClose }: FocusFormProps) {
  const [name, setName] = useState(focus?.name ?? '');
  const [ids, setIds] = useState<readonly string[]>(focus?.lookForIds ?? []);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const offered = lookFors.filter(({ sectionId }) => sectionId === null || sectionId === focus?.sectionId);
  const form = `set ${focus?.id ?? 'new'}`;
  const accept = async () => {
    const read = await check('FocusFields', {
      id: focus?.id ?? newId(),
      name,
      sectionId: focus?.sectionId ?? null,
      lookForIds: [...ids],
    });
    if (read.errors) {
      setErrors(read.errors);
      return;
    }
    makeChange('focus.set', { focus: read.data, lookFors: [] }, 'lookFors');
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet
      title={focus ? `The set “${focus.name}”` : 'A new set'}
      note="Three aims are better than twenty."
      about={form}
      onClose={onClose}
    >
      <Field
        label="Name"
        value={name}
        onChange={setName}
        error={errors['name']}
        placeholder="Low-tide walk"
      />
      <View>
        {offered.map(({ id, name: label }) => (
          <TickRow
            key={id}
            name={label}
            ticked={ids.includes(id)}
            onChange={(ticked) => {
              setIds(ticked ? [...ids, id] : ids.filter((one) => one !== id));
            }}
          >
            <Words>{label}</Words>
          </TickRow>
        ))}
      </View>
      {errors['lookForIds'] ? (
        <Words tone="ember" live>
          {errors['lookForIds']}
        </Words>
      ) : null}
      <Action label={focus ? 'Change the set' : 'Add the set'} kind="main" onPress={() => void accept()} />
      {focus ? (
        <Action
          label="Remove the set: its look-fors stay"
          onPress={() => {
            makeChange('focus.remove', { id: focus.id, removed: true }, 'lookFors');
            onClose();
          }}
        />
      ) : null}
    </Sheet>
  );
}
