import type { LucideIcon } from 'lucide-react-native';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { usePalette } from '../theme/theme';
import { radius, space, target, type Palette } from '../theme/tokens';
import { Words } from './Words';

interface ChipProps {
  label: string;
  /** What a tap does, for those who listen. */
  name: string;
  icon: LucideIcon;
  tone?: keyof Palette;
  /** It is a question: its edge is dashed. */
  asks?: boolean;
  /** What it opens stands below. */
  open?: boolean;
  onPress: () => void;
  testID?: string;
}

/** Something that was understood, in a frame of its own; a tap sets it right. */
export function Chip({ label, name, icon: Icon, tone = 'slate', asks, open, onPress, testID }: ChipProps) {
  const palette = usePalette();
  return (
    <TouchableRipple
      role="button"
      aria-label={name}
      aria-expanded={open}
      testID={testID}
      onPress={onPress}
      style={{
        minHeight: target,
        justifyContent: 'center',
        paddingHorizontal: space(3),
        borderRadius: radius.control,
        borderWidth: asks ? 2 : 1,
        borderStyle: asks ? 'dashed' : 'solid',
        borderColor: asks || open ? palette[tone] : palette.line,
        backgroundColor: open ? palette.slateWash : palette.surface,
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
        <Icon size={18} color={palette[tone]} strokeWidth={2} />
        <Words bold={asks} lines={1}>
          {label}
        </Words>
      </View>
    </TouchableRipple>
  );
}
