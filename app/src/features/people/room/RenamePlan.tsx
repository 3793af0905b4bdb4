import { useState } from 'react';
import type { RoomPlan } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { forgetTyped } from '../../../parts/typed';
import { check } from '../../../forms/check';

interface RenamePlanProps {
  plan: RoomPlan;
  onName: (name: string) => void;
  onRemove: () => void;
  onClose: () => void;
}

/** What a plan is called; and away with it. */
export function RenamePlan({ plan, onName, onRemove, onClose }: RenamePlanProps) {
  const form = `room plan ${plan.id}`;
  const [name, setName] = useState(plan.name);
  const [error, setError] = useState<string>();
  const accept = async () => {
    const read = await check('RoomPlanName', { name });
    if (read.errors) setError(read.errors['name']);
    else {
      forgetTyped(form);
      onName(read.data.name);
    }
  };
  return (
    <Sheet title={`The plan “${plan.name}”`} about={form} onClose={onClose}>
      <Field label="Name" value={name} onChange={setName} error={error} />
      <Action label="Rename the plan" kind="main" onPress={() => void accept()} />
      <Action label="Remove the plan: who sat where stays on record" onPress={onRemove} />
    </Sheet>
  );
}
