import { View } from 'react-native';
import { usePalette } from '../theme/theme';
import { space, target } from '../theme/tokens';
import { TapArea } from './TapArea';
import { Words } from './Words';

export interface GroupItem {
  label: string;
  /** Where the words alone do not say what it does. */
  note?: string;
  /** What it says to those who listen, where the label alone would not do. */
  name?: string;
  onPress: () => void;
}

export interface Group {
  title: string;
  items: readonly (GroupItem | null)[];
}

/** What can be done now and then, in groups: each a row of words, the whole row to tap. */
export function Groups({ groups }: { groups: readonly Group[] }) {
  const palette = usePalette();
  return groups.map(({ title, items }) => {
    const shown = items.filter((item) => item !== null);
    return shown.length === 0 ? null : (
      <View key={title} role="group" aria-label={title}>
        <Words size="small" tone="inkQuiet" heading={3}>
          {title}
        </Words>
        {shown.map(({ label, note, name, onPress }) => (
          <TapArea
            key={label}
            name={name ?? label}
            onTap={onPress}
            style={{
              minHeight: target,
              justifyContent: 'center',
              paddingVertical: space(2),
              borderBottomWidth: 1,
              borderColor: palette.line,
            }}
          >
            <Words bold tone="slate">
              {label}
            </Words>
            {note ? (
              <Words size="small" tone="inkQuiet">
                {note}
              </Words>
            ) : null}
          </TapArea>
        ))}
      </View>
    );
  });
}
