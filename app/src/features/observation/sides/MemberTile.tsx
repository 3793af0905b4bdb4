import { View } from 'react-native';
import { signed, sumWords } from '@slate-path/core/observation/sides/amount';
import { SideMark } from '../../../parts/SideMark';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import type { Side } from './playing';

interface MemberTileProps {
  name: string;
  side: Side;
  /** What the student earned alone. */
  own: number;
  amount: number;
  height: number;
  onTap: () => void;
}

/** A student of a side: a tap gives what is in hand to both. */
export function MemberTile({ name, side, own, amount, height, onTap }: MemberTileProps) {
  const palette = usePalette();
  return (
    <TapArea
      testID="member-tile"
      name={`${name}, ${side.name}: ${own} earned. Tap: ${signed(amount)}`}
      onTap={onTap}
      style={{
        height,
        justifyContent: 'center',
        overflow: 'hidden',
        paddingHorizontal: space(2),
        borderBottomWidth: 1,
        borderColor: palette.line,
      }}
    >
      <Words bold={own !== 0} lines={1} style={{ lineHeight: 20 }}>
        {name}
      </Words>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(1), height: 18 }}>
        <SideMark mark={side.mark} size={14} color={palette.inkQuiet} />
        {own === 0 ? null : (
          <Words size="small" figures style={{ lineHeight: 16 }}>
            {sumWords(own)}
          </Words>
        )}
      </View>
    </TapArea>
  );
}
