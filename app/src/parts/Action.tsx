import type { LucideIcon } from 'lucide-react-native';
import { memo } from 'react';
import type { ViewStyle } from 'react-native';
import { Button } from 'react-native-paper';
import { usePalette } from '../theme/theme';
import { fonts, radius } from '../theme/tokens';

interface ActionProps {
  label: string;
  onPress: () => void;
  /** `main` is the one thing to do here; `plain` has no outline. */
  kind?: 'main' | 'outlined' | 'plain';
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
  kind = 'outlined',
  icon: Icon,
  disabled,
  name,
  style,
  testID,
}: ActionProps) {
  const palette = usePalette();
  const color = kind === 'main' ? palette.onSlate : kind === 'plain' ? palette.slate : palette.ink;
  return (
    <Button
      mode={kind === 'main' ? 'contained' : kind === 'outlined' ? 'outlined' : 'text'}
      onPress={onPress}
      disabled={disabled}
      accessibilityLabel={name ?? label}
      testID={testID}
      icon={
        Icon
          ? () => <Icon size={20} color={disabled ? palette.inkQuiet : color} strokeWidth={2} />
          : undefined
      }
      style={[
        { borderRadius: radius.control, borderColor: palette.line },
        // As high as an outlined one, so that the words of two side by side stand on one line.
        kind === 'outlined' ? null : { borderWidth: 1, borderColor: 'transparent' },
        style,
      ]}
      contentStyle={{ minHeight: 48 }}
      labelStyle={{
        fontFamily: fonts.text,
        fontSize: 16,
        lineHeight: 22,
        fontWeight: '700',
        letterSpacing: 0,
        marginHorizontal: 16,
        marginLeft: Icon ? 20 : 16,
      }}
      textColor={disabled ? palette.inkQuiet : color}
    >
      {label}
    </Button>
  );
});
