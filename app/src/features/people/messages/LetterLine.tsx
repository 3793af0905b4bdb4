import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import type { Letter } from './letters';

interface LetterLineProps {
  name: string;
  about: string;
  letter: Letter;
  hasFailed: boolean;
  onOpen: () => void;
}

/** A letter as a line: for whom, about what, and how it stands in words. */
export function LetterLine({ name, about, letter, hasFailed, onOpen }: LetterLineProps) {
  const palette = usePalette();
  const wide = useWide();
  const stands = (
    <Words size="small" tone={hasFailed ? 'ember' : 'inkQuiet'} bold={hasFailed} figures>
      {letter.words}
    </Words>
  );
  return (
    <TouchableRipple
      role="button"
      aria-label={`${name}: ${about}, ${letter.words}`}
      onPress={onOpen}
      style={{
        minHeight: rowHeight,
        justifyContent: 'center',
        borderTopWidth: 1,
        borderColor: palette.line,
        paddingHorizontal: space(4),
        paddingVertical: space(2),
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(3) }}>
        <View style={{ flex: 1 }}>
          <Words lines={1}>{name}</Words>
          <Words size="small" tone="inkQuiet" lines={1}>
            {about}
          </Words>
          {wide ? null : stands}
        </View>
        {wide ? <View style={{ maxWidth: '50%' }}>{stands}</View> : null}
      </View>
    </TouchableRipple>
  );
}
