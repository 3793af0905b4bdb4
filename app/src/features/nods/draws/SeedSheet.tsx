import { useState } from 'react';
import { seeds } from '@slate-path/core/nods/draws/tickets';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';

/** A draw from a number that is named aloud, so that nobody can think it was chosen for somebody. */
export function SeedSheet({ onDraw, onClose }: { onDraw: (seed: number) => void; onClose: () => void }) {
  const [typed, setTyped] = useState('');
  const [error, setError] = useState<string>();
  const draw = () => {
    const written = typed.trim();
    if (!/^\d{1,9}$/.test(written)) {
      setError(`A whole number from 0 to ${(seeds - 1).toLocaleString('en')}, digits only.`);
      return;
    }
    onDraw(Number(written));
    onClose();
  };
  return (
    <Sheet
      title="A number somebody names"
      note="Any number will do: let a student say one, or throw dice for its digits. Who is drawn follows from it and from the list alone."
      onClose={onClose}
    >
      <Field
        label="Number"
        value={typed}
        error={error}
        keyboard="number-pad"
        onChange={(value) => {
          setTyped(value);
          setError(undefined);
        }}
        onSubmit={draw}
      />
      <Action label="Draw with it" kind="main" onPress={draw} />
    </Sheet>
  );
}
