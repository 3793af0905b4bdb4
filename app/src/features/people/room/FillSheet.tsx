import { useState } from 'react';
import { View } from 'react-native';
import type { FillOrder } from '@slate-path/core/people/room/seating/fill';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import type { MixBy } from './groupsOf';

const orders: readonly { value: FillOrder; label: string }[] = [
  { value: 'name', label: 'By name' },
  { value: 'random', label: 'At random' },
  { value: 'mixed', label: 'Mixed' },
];
const mixes: readonly { value: MixBy; label: string }[] = [
  { value: 'cohort', label: 'Cohort' },
  { value: 'engagement', label: 'Engagement' },
  { value: 'level', label: 'Level' },
];
const who: readonly { value: 'all' | 'rest'; label: string }[] = [
  { value: 'all', label: 'Everybody anew' },
  { value: 'rest', label: 'Who has none' },
];

const meanings: Record<MixBy, string> = {
  cohort: 'Who is of one cohort is not put side by side, as far as that goes.',
  engagement:
    'By the engagement of the lessons on this device, in three groups of one size: who is of one group is not put side by side, as far as that goes.',
  level:
    'By the scores of work on this device, in three groups of one size: who is of one group is not put side by side, as far as that goes.',
};

export interface FillChoice {
  order: FillOrder;
  by: MixBy;
  stay: boolean;
}

interface FillSheetProps {
  wishes: number;
  /** Whether somebody sits already. */
  some: boolean;
  busy: boolean;
  onFill: (choice: FillChoice) => void;
  onClose: () => void;
}

/** How a class is put on its seats. */
export function FillSheet({ wishes, some, busy, onFill, onClose }: FillSheetProps) {
  const [order, setOrder] = useState<FillOrder>('name');
  const [by, setBy] = useState<MixBy>('cohort');
  const [whom, setWhom] = useState<'all' | 'rest'>('all');
  const wished =
    wishes === 0 ? '' : wishes === 1 ? ' The wish goes first.' : ` The ${wishes} wishes go first.`;
  return (
    <Sheet title="Seat the class" note={`From the front, each row from the left.${wished}`} onClose={onClose}>
      <View style={{ gap: space(3) }}>
        <Choice name="In which order" value={order} options={orders} onChange={setOrder} />
        {order === 'mixed' ? (
          <>
            <Choice name="Mixed by" value={by} options={mixes} onChange={setBy} />
            <Words tone="inkQuiet">{meanings[by]}</Words>
          </>
        ) : null}
        {some ? <Choice name="Who is seated" value={whom} options={who} onChange={setWhom} /> : null}
        <Action
          label={busy ? 'Looking for seats…' : 'Seat them'}
          kind="main"
          disabled={busy}
          onPress={() => {
            onFill({ order, by, stay: some && whom === 'rest' });
          }}
        />
      </View>
    </Sheet>
  );
}
