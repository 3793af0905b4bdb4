import Square from 'lucide-react-native/icons/square';
import SquareCheck from 'lucide-react-native/icons/square-check';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { usePalette } from '../theme/theme';
import { rowHeight, space } from '../theme/tokens';

interface TickRowProps {
  /** What is ticked, for those who listen. */
  name: string;
  ticked: boolean;
  onChange: (ticked: boolean) => void;
  children: ReactNode;
}

/** A row of a list that can be left out or taken in; the whole row is the target. */
export function TickRow({ name, ticked, onChange, children }: TickRowProps) {
  const palette = usePalette();
  const Icon = ticked ? SquareCheck : Square;
  return (
    <TouchableRipple
      role="checkbox"
      aria-checked={ticked}
      aria-label={name}
      onPress={() => {
        onChange(!ticked);
      }}
      style={{
        minHeight: rowHeight,
        justifyContent: 'center',
        borderBottomWidth: 1,
        borderColor: palette.line,
        paddingHorizontal: space(4),
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(3) }}>
        <Icon size={24} color={ticked ? palette.slate : palette.inkQuiet} strokeWidth={2} />
        <View style={{ flex: 1, paddingVertical: space(1) }}>{children}</View>
      </View>
    </TouchableRipple>
  );
}
