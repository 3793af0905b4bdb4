import type { LucideIcon } from 'lucide-react-native';
import { memo } from 'react';
import { IconButton } from 'react-native-paper';
import { usePalette } from '../theme/theme';
import { radius, target } from '../theme/tokens';
import type { Palette } from '../theme/tokens';

interface IconActionProps {
  /** What it does, in words: its name for those who listen. */
  name: string;
  icon: LucideIcon;
  onPress: () => void;
  tone?: keyof Palette;
  disabled?: boolean;
  testID?: string;
}

/** A button that is only a sign; its name is always there in words. */
export const IconAction = memo(function IconAction({
  name,
  icon: Icon,
  onPress,
  tone = 'ink',
  disabled,
  testID,
}: IconActionProps) {
  const palette = usePalette();
  return (
    <IconButton
      icon={() => <Icon size={24} color={disabled ? palette.line : palette[tone]} strokeWidth={2} />}
      accessibilityLabel={name}
      onPress={onPress}
      disabled={disabled}
      testID={testID}
      style={{ width: target, height: target, margin: 0, borderRadius: radius.control }}
    />
  );
});
