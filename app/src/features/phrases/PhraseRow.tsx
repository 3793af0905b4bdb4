import Star from 'lucide-react-native/icons/star';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import type { OfferedPhrase } from '@slate-path/core/phrases/order';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { rowHeight, space } from '../../theme/tokens';

interface PhraseRowProps {
  offered: OfferedPhrase;
  /** What a tap does, for those who listen. */
  verb: string;
  held?: boolean;
  onTap: () => void;
  children?: ReactNode;
}

/** A phrase in a list: its words, whether it is a favourite, whose it is; the whole row to tap. */
export function PhraseRow({ offered: { phrase, favourite }, verb, held, onTap, children }: PhraseRowProps) {
  const palette = usePalette();
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        borderBottomWidth: 1,
        borderColor: palette.line,
        backgroundColor: held ? palette.slateWash : undefined,
      }}
    >
      <TapArea
        name={`${verb}: ${phrase.text}`}
        testID="phrase"
        held={held}
        onTap={onTap}
        style={{
          flex: 1,
          flexDirection: 'row',
          alignItems: 'center',
          gap: space(2),
          minHeight: rowHeight,
          paddingVertical: space(2),
          paddingHorizontal: space(4),
        }}
      >
        <View style={{ flex: 1 }}>
          <Words bold={held} lines={3}>
            {phrase.text}
          </Words>
          {phrase.shared ? (
            <Words size="small" tone="inkQuiet">
              the school’s
            </Words>
          ) : null}
        </View>
        {favourite && !children ? <Star size={16} color={palette.slate} fill={palette.slate} /> : null}
      </TapArea>
      {children}
    </View>
  );
}
