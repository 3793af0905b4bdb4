import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Path, Text } from 'react-native-svg';
import { usePalette } from '../theme/theme';
import { fonts, type } from '../theme/tokens';
import { strokeHeight, strokeLine, strokeLook, type PlacedStrokes } from './strokes';

interface ToneStrokesProps {
  wanted: number;
  neutral: number;
  unwanted: number;
  width: number;
}

/**
 * Out of the flow, so that a stroke more has the browser lay out this picture and not the page; and not clipped,
 * for nothing in it reaches out of it and each thing to clip is one more to put together at every tap.
 */
const apart = { position: 'absolute', left: 0, top: 0, overflow: 'visible' } as const;

/** By itself, so that a stroke more draws the path of its own tone and no other. */
const TonePath = memo(function TonePath({ tone, path }: Pick<PlacedStrokes, 'tone' | 'path'>) {
  const palette = usePalette();
  return (
    <Path
      d={path}
      stroke={palette[strokeLook[tone].ink]}
      strokeWidth={2.4}
      strokeLinecap="round"
      fill="none"
    />
  );
});

/**
 * All that one student has, in one picture of one size: a stroke more changes a path in it, and nothing on the
 * page has to be measured or put in place again. It says nothing to those who listen: the tile's name does.
 */
export const ToneStrokes = memo(function ToneStrokes({ wanted, neutral, unwanted, width }: ToneStrokesProps) {
  const palette = usePalette();
  const placed = strokeLine({ wanted, neutral, unwanted }, width);
  const height = strokeHeight;
  return (
    <View style={{ width, height }} aria-hidden>
      <Svg width={width} height={height} style={apart}>
        {placed.map(({ tone, path }) => (
          <TonePath key={tone} tone={tone} path={path} />
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
    </View>
  );
});
