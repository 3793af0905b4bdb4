import { useState } from 'react';
import { View } from 'react-native';
import { readAmount, signed } from '@slate-path/core/observation/sides/amount';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius, target } from '../../../theme/tokens';

interface AmountTrayProps {
  amount: number;
  onAmount: (amount: number) => void;
}

const usual = [1, 2, 5, -1];

function OtherSheet({ onAmount, onClose }: { onAmount: (amount: number) => void; onClose: () => void }) {
  const [typed, setTyped] = useState('');
  const [error, setError] = useState<string>();
  const accept = () => {
    const read = readAmount(typed);
    if (read.error !== null) setError(read.error);
    else if (read.amount === 0) setError('Nothing would change with 0 points.');
    else onAmount(read.amount);
  };
  return (
    <Sheet title="Another number of points" note="The next taps give so many." onClose={onClose}>
      <Field
        label="Points, with − to take some away"
        value={typed}
        onChange={setTyped}
        error={error}
        onSubmit={accept}
      />
      <Action label="Take it in hand" kind="main" onPress={accept} />
    </Sheet>
  );
}

/** How many points a tap gives. */
export function AmountTray({ amount, onAmount }: AmountTrayProps) {
  const palette = usePalette();
  const [typing, setTyping] = useState(false);
  const isOther = !usual.includes(amount);
  const slot = (label: string, name: string, held: boolean, onTap: () => void) => (
    <TapArea
      key={name}
      name={name}
      held={held}
      onTap={onTap}
      style={{
        flex: 1,
        minHeight: target + 4,
        alignItems: 'center',
        justifyContent: 'center',
        borderRadius: radius.control,
        borderWidth: held ? 0 : 1,
        borderColor: palette.line,
        backgroundColor: held ? palette.slate : undefined,
      }}
    >
      <Words bold={held} figures tone={held ? 'onSlate' : 'ink'}>
        {label}
      </Words>
    </TapArea>
  );
  return (
    <View role="group" aria-label="A tap gives" style={{ flexDirection: 'row', gap: 6 }}>
      {usual.map((one) =>
        slot(signed(one), `A tap gives ${signed(one)}`, one === amount, () => {
          onAmount(one);
        }),
      )}
      {slot(
        isOther ? signed(amount) : 'other',
        isOther ? `A tap gives ${signed(amount)}. Another number` : 'other number of points',
        isOther,
        () => {
          setTyping(true);
        },
      )}
      {typing ? (
        <OtherSheet
          onAmount={(other) => {
            onAmount(other);
            setTyping(false);
          }}
          onClose={() => {
            setTyping(false);
          }}
        />
      ) : null}
    </View>
  );
}
