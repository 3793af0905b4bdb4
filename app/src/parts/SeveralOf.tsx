import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { usePalette } from '../theme/theme';
import { choiceLook, fitsJoined, rowLook, segmentLook } from './choiceLook';
import { Words } from './Words';

interface SeveralOfProps<T extends string> {
  /** What is chosen, for those who listen. */
  name: string;
  values: ReadonlySet<T>;
  options: readonly { value: T; label: string }[];
  onChange: (values: ReadonlySet<T>) => void;
}

/** Some of a few, all of them visible. */
export function SeveralOf<T extends string>({ name, values, options, onChange }: SeveralOfProps<T>) {
  const palette = usePalette();
  const labels = options.map(({ label }) => label);
  const joined = fitsJoined(labels);
  return (
    <View role="group" aria-label={name} style={rowLook(palette, labels)}>
      {options.map(({ value, label }, at) => {
        const chosen = values.has(value);
        return (
          <TouchableRipple
            key={value}
            role="checkbox"
            aria-checked={chosen}
            aria-label={label}
            onPress={() => {
              const next = new Set(values);
              if (chosen) next.delete(value);
              else next.add(value);
              onChange(next);
            }}
            style={joined ? segmentLook(palette, chosen, at, options.length) : choiceLook(palette, chosen)}
          >
            <Words bold={chosen}>{label}</Words>
          </TouchableRipple>
        );
      })}
    </View>
  );
}
