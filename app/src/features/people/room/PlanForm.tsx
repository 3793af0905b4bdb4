import { useState } from 'react';
import { View } from 'react-native';
import { many } from '@slate-path/core/words/many';
import { layoutNames, layoutOf, type LayoutName, type Seat } from '@slate-path/core/people/room/layouts';
import type { RoomPlan } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { forgetTyped } from '../../../parts/typed';
import { usePalette } from '../../../theme/theme';
import { check } from '../../../forms/check';
import { RoomFloor } from './RoomFloor';

const layoutWords: Record<LayoutName, string> = {
  rows: 'Rows',
  pairs: 'Pairs',
  fours: 'Tables of four',
  benches: 'Long benches',
};
const options = layoutNames.map((value) => ({ value, label: layoutWords[value] }));

interface NewPlanProps {
  /** Who has to sit somewhere. */
  students: number;
  onAccept: (name: string, seats: Seat[]) => void;
  onClose: () => void;
}

/** How the tables stand, before anybody sits at them. */
export function NewPlan({ students, onAccept, onClose }: NewPlanProps) {
  const palette = usePalette();
  const [layout, setLayout] = useState<LayoutName>('pairs');
  const [name, setName] = useState('');
  const [error, setError] = useState<string>();
  const form = 'room plan new';
  const seats = layoutOf(layout, Math.max(students, 1));
  const accept = async () => {
    const read = await check('RoomPlanName', { name: name || layoutWords[layout] });
    if (read.errors) setError(read.errors['name']);
    else {
      forgetTyped(form);
      onAccept(read.data.name, seats);
    }
  };
  return (
    <Sheet
      title="A new room plan"
      note={`${many(seats.length, 'seat')}, one for everybody; change them afterwards as the room is.`}
      about={form}
      onClose={onClose}
    >
      <Choice name="How the tables stand" value={layout} options={options} onChange={setLayout} />
      <RoomFloor tables seats={seats} narrowest={20} widest={48} height={24}>
        {({ x, y }, box) => (
          <View
            key={`${x} ${y}`}
            style={{
              position: 'absolute',
              ...box,
              borderRadius: 4,
              borderWidth: 1,
              borderColor: palette.inkQuiet,
              backgroundColor: palette.ground,
            }}
          />
        )}
      </RoomFloor>
      <Field label="Name" value={name} onChange={setName} error={error} placeholder={layoutWords[layout]} />
      <Action label="Make the plan" kind="main" onPress={() => void accept()} />
    </Sheet>
  );
}

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
