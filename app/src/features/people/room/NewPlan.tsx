import { useState } from 'react';
import { View } from 'react-native';
import { many } from '@slate-path/core/words/many';
import type { Seat } from '@slate-path/core/people/room/seat';
import { layoutNames, layoutOf, widthsOf, type LayoutName } from '@slate-path/core/people/room/layouts';
import { mostSeats } from '@slate-path/core/people/room/limits';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { forgetTyped } from '../../../parts/typed';
import { usePalette, useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { check } from '../../../forms/check';
import { layoutWords, widthWords } from './pieceWords';
import { RoomFloor } from './RoomFloor';

const options = layoutNames.map((value) => ({ value, label: layoutWords[value] }));

interface NewPlanProps {
  /** Who has to sit somewhere. */
  students: number;
  onAccept: (name: string, seats: Seat[]) => void;
  onClose: () => void;
}

/** A whole number from one to another; what is wrong with it where it is none. */
function typedNumber(typed: string, from: number, to: number): { value: number; error?: string } {
  const value = Number(typed.trim());
  const isGood = typed.trim() !== '' && Number.isInteger(value) && value >= from && value <= to;
  return isGood ? { value } : { value: from, error: from === to ? `${from}` : `From ${from} to ${to}` };
}

/** How the tables stand, before anybody sits at them. */
export function NewPlan({ students, onAccept, onClose }: NewPlanProps) {
  const palette = usePalette();
  const wide = useWide();
  const [layout, setLayout] = useState<LayoutName>('pairs');
  const [name, setName] = useState('');
  const [typedSeats, setSeats] = useState(String(Math.min(mostSeats, Math.max(students, 1))));
  /** Null: as is usual for so many. */
  const [across, setAcross] = useState<string | null>(null);
  const [error, setError] = useState<string>();
  const form = 'room plan new';
  const count = typedNumber(typedSeats, 1, mostSeats);
  const widths = widthsOf(layout, count.value);
  const isRing = layout === 'horseshoe' || layout === 'circle';
  // On a phone a ring is deep, so that names find room in its width.
  const usual = wide && isRing ? Math.min(widths.most, Math.round(count.value / 3.5)) : widths.usual;
  const typedWidth = across ?? String(Math.max(widths.least, usual));
  const width = typedNumber(typedWidth, widths.least, widths.most);
  const seats = layoutOf(layout, count.value, width.value);
  const isEmpty = layout === 'empty';
  const isWrong = !isEmpty && (count.error !== undefined || width.error !== undefined);
  const accept = async () => {
    if (isWrong) return;
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
      note={
        isEmpty
          ? 'Nothing stands in it: put seats and furniture where they are.'
          : `${many(seats.length, 'seat')}; move, turn or take away single ones afterwards.`
      }
      about={form}
      onClose={onClose}
    >
      <Choice
        name="How the tables stand"
        value={layout}
        options={options}
        onChange={(next) => {
          setLayout(next);
          setAcross(null);
        }}
      />
      {isEmpty ? null : (
        <>
          <View style={{ flexDirection: 'row', gap: space(3) }}>
            <Field
              label="Seats"
              value={typedSeats}
              onChange={setSeats}
              error={count.error}
              keyboard="number-pad"
            />
            <Field
              label={widthWords[layout]}
              value={typedWidth}
              onChange={setAcross}
              error={width.error}
              keyboard="number-pad"
            />
          </View>
          <RoomFloor tables seats={seats} narrowest={10} widest={48} height={seats.length > 40 ? 16 : 20}>
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
        </>
      )}
      <Field label="Name" value={name} onChange={setName} error={error} placeholder={layoutWords[layout]} />
      <Action label="Make the plan" kind="main" disabled={isWrong} onPress={() => void accept()} />
    </Sheet>
  );
}
