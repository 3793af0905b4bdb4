import { memo } from 'react';
import Svg, { Path, Text } from 'react-native-svg';
import { usePalette } from '../theme/theme';
import { fonts, type } from '../theme/tokens';
import { strokeLines, strokeLook } from './strokes';

interface ToneStrokesProps {
  wanted: number;
  neutral: number;
  unwanted: number;
  width: number;
}

/**
 * All that one student has, in one picture of one size: a stroke more changes a path in it, and nothing on the
 * page has to be measured or put in place again. It says nothing to those who listen: the tile's name does.
 */
export const ToneStrokes = memo(function ToneStrokes({ wanted, neutral, unwanted, width }: ToneStrokesProps) {
  const palette = usePalette();
  const { placed, height } = strokeLines({ wanted, neutral, unwanted }, width);
  return (
    <Svg width={width} height={height} aria-hidden>
      {placed.map(({ tone, path }) => (
        <Path
          key={tone}
          d={path}
          stroke={palette[strokeLook[tone].ink]}
          strokeWidth={2.4}
          strokeLinecap="round"
          fill="none"
        />
      ))}
      {placed.map(({ tone, number, x, y }) =>
        number ? (
          <Text
            key={tone}
            x={x}
            y={y}
            fill={palette[strokeLook[tone].ink]}
            fontFamily={fonts.text}
            fontSize={type.text.fontSize}
            fontWeight="700"
          >
            {number}
          </Text>
        ) : null,
      )}
    </Svg>
  );
});
