import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import type { LookFor } from '@slate-path/core/records/schema';
import { usePalette } from '../theme/theme';
import { strokeHeight, strokeLook, strokesOf } from './strokes';
import { Words } from './Words';

interface TallyStrokesProps {
  count: number;
  tone: LookFor['tone'];
}

/** A count as chalk strokes up to ten, then as a number. It says nothing to those who listen: the name does. */
export const TallyStrokes = memo(function TallyStrokes({ count, tone }: TallyStrokesProps) {
  const palette = usePalette();
  if (count === 0) return null;
  const { ink } = strokeLook[tone];
  const { path, number, width } = strokesOf(count, tone);
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', height: strokeHeight }} aria-hidden>
      <Svg width={width} height={strokeHeight}>
        <Path d={path} stroke={palette[ink]} strokeWidth={2.4} strokeLinecap="round" fill="none" />
      </Svg>
      {number ? (
        <Words bold figures tone={ink}>
          {number}
        </Words>
      ) : null}
    </View>
  );
});
