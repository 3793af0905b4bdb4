import { useState } from 'react';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { forgetTyped } from '../../../parts/typed';
import { makeChange } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';

const most = 20;

function faultOf(name: string): string | undefined {
  if (name.trim() === '') return 'A level needs a name';
  return name.trim().length > most ? `At most ${most} characters` : undefined;
}

/** The teacher's own words for the four levels; what was recorded points at the levels, not at their names. */
export function LevelNamesSheet({ names, onClose }: { names: readonly string[]; onClose: () => void }) {
  const schoolId = useRecords(({ current }) => Object.keys(current.school)[0]);
  const [typed, setTyped] = useState<readonly string[]>(names);
  const [asked, setAsked] = useState(false);
  const form = 'level names';
  const accept = () => {
    setAsked(true);
    if (!schoolId || typed.some((name) => faultOf(name))) return;
    makeChange('levelNames.set', { id: schoolId, names: typed.map((name) => name.trim()) }, 'levels');
    forgetTyped(form);
    onClose();
  };
  return (
    <Sheet
      title="The levels"
      note="From lowest to highest. Renaming changes nothing that was recorded."
      about={form}
      onClose={onClose}
    >
      {typed.map((name, level) => (
        <Field
          key={level}
          label={`Level ${level}`}
          value={name}
          error={asked ? faultOf(name) : undefined}
          onChange={(next) => {
            setTyped(typed.map((one, at) => (at === level ? next : one)));
          }}
        />
      ))}
      <Action label="Call them so" kind="main" onPress={accept} />
    </Sheet>
  );
}
