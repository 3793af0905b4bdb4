import type { ReactNode } from 'react';
import { View, type ViewStyle } from 'react-native';
import { usePalette } from '../theme/theme';
import { radius, space } from '../theme/tokens';

/** A quiet surface with a hairline round it. */
export function Card({ children, style }: { children: ReactNode; style?: ViewStyle }) {
  const palette = usePalette();
  const look = {
    backgroundColor: palette.surface,
    borderColor: palette.line,
    borderWidth: 1,
    borderRadius: radius.card,
    padding: space(4),
  };
  return <View style={[look, style]}>{children}</View>;
}
