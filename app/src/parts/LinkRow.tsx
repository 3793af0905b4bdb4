import { Pressable, View } from 'react-native';
import { usePalette } from '../theme/theme';
import { target } from '../theme/tokens';
import { Words } from './Words';

interface LinkRowProps {
  words: string;
  /** What it says to those who listen. */
  name: string;
  /** Null where there is nothing to open. */
  onOpen: (() => void) | null;
}

/** One line of a list of records; a tap opens the record where it was made. */
export function LinkRow({ words, name, onOpen }: LinkRowProps) {
  const palette = usePalette();
  const row = {
    minHeight: target,
    justifyContent: 'center',
    borderBottomWidth: 1,
    borderColor: palette.line,
  } as const;
  if (!onOpen)
    return (
      <View style={row}>
        <Words lines={2}>{words}</Words>
      </View>
    );
  return (
    <Pressable role="link" aria-label={name} onPress={onOpen} style={row}>
      <Words tone="slate" lines={2}>
        {words}
      </Words>
    </Pressable>
  );
}
