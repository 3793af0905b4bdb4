import type { LucideIcon } from 'lucide-react-native';
import { memo } from 'react';
import type { ViewStyle } from 'react-native';
import { Button } from 'react-native-paper';
import { usePalette } from '../theme/theme';
import { fonts, radius, target } from '../theme/tokens';

interface ActionProps {
  label: string;
  onPress: () => void;
  /** `main` is the one thing to do here, and filled; all else is words. */
  kind?: 'main' | 'plain';
  icon?: LucideIcon;
  disabled?: boolean;
  /** What it says to those who listen, where the label alone would not do. */
  name?: string;
  style?: ViewStyle;
  testID?: string;
}

/** A button with words. */
export const Action = memo(function Action({
  label,
  onPress,
  kind = 'plain',
  icon: Icon,
  disabled,
  name,
  style,
  testID,
}: ActionProps) {
  const palette = usePalette();
  const isMain = kind === 'main';
  const color = isMain ? palette.onSlate : palette.slate;
  return (
    <Button
      mode={isMain ? 'contained' : 'text'}
      onPress={onPress}
      disabled={disabled}
      accessibilityLabel={name ?? label}
      testID={testID}
      icon={
        Icon
          ? () => <Icon size={20} color={disabled ? palette.inkQuiet : color} strokeWidth={2} />
          : undefined
      }
      style={[{ borderRadius: radius.control, minWidth: target }, style]}
      contentStyle={{ minHeight: 48, marginLeft: Icon && !isMain ? -8 : 0 }}
      labelStyle={{
        fontFamily: fonts.text,
        fontSize: 16,
        lineHeight: 22,
        fontWeight: '700',
        letterSpacing: 0,
        // Words begin where what stands above them does.
        marginHorizontal: isMain ? 16 : 4,
        marginLeft: Icon ? 20 : isMain ? 16 : 4,
      }}
      textColor={disabled ? palette.inkQuiet : color}
    >
      {label}
    </Button>
  );
});
