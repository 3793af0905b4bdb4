import type { ReactNode } from 'react';
import type { TextStyle } from 'react-native';
import { Text } from 'react-native-paper';
import { usePalette } from '../theme/theme';
import { fonts, type } from '../theme/tokens';
import type { Palette } from '../theme/tokens';

interface WordsProps {
  children: ReactNode;
  size?: keyof typeof type;
  tone?: keyof Palette;
  bold?: boolean;
  /** The sturdy serif of titles and big numbers. */
  serif?: boolean;
  /** Heading level for those who listen. */
  heading?: 1 | 2 | 3;
  /** Cut with an ellipsis after so many lines. */
  lines?: number;
  /** Digits of one width, for numbers under each other. */
  figures?: boolean;
  style?: TextStyle;
  testID?: string;
  live?: boolean;
}

/** All text goes through here: one scale, two families, colours by role. */
export function Words(props: WordsProps) {
  const { children, size = 'text', tone = 'ink', bold, serif, heading, lines, figures, style } = props;
  const palette = usePalette();
  return (
    <Text
      testID={props.testID}
      numberOfLines={lines}
      role={heading ? 'heading' : undefined}
      aria-level={heading}
      aria-live={props.live ? 'polite' : undefined}
      style={[
        type[size],
        { color: palette[tone], fontFamily: serif ? fonts.title : fonts.text },
        { fontWeight: serif ? '600' : bold ? '700' : '400', letterSpacing: 0 },
        figures ? { fontVariant: ['tabular-nums'] } : null,
        style,
      ]}
    >
      {children}
    </Text>
  );
}
