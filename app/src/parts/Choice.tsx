import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { usePalette } from '../theme/theme';
import { choiceLook, fitsJoined, rowLook, segmentLook } from './choiceLook';
import { Words } from './Words';

interface ChoiceProps<T extends string> {
  /** What is chosen, for those who listen. */
  name: string;
  value: T;
  options: readonly { value: T; label: string }[];
  onChange: (value: T) => void;
}

/** One of a few, all of them visible. The chosen one is filled and bold, not only coloured. */
export function Choice<T extends string>({ name, value, options, onChange }: ChoiceProps<T>) {
  const palette = usePalette();
  const labels = options.map(({ label }) => label);
  const joined = fitsJoined(labels);
  return (
    <View role="radiogroup" aria-label={name} style={rowLook(palette, labels)}>
      {options.map((option, at) => {
        const chosen = option.value === value;
        return (
          <TouchableRipple
            key={option.value}
            role="radio"
            aria-checked={chosen}
            aria-label={option.label}
            onPress={() => {
              onChange(option.value);
            }}
            style={joined ? segmentLook(palette, chosen, at, options.length) : choiceLook(palette, chosen)}
          >
            <Words bold={chosen}>{option.label}</Words>
          </TouchableRipple>
        );
      })}
    </View>
  );
}
