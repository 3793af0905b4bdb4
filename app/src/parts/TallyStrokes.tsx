import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import type { LookFor } from '@slate-path/core/records/schema';
import { mostStrokes, strokeBundles } from '@slate-path/core/tallies/strokes';
import { usePalette } from '../theme/theme';
import { Words } from './Words';

const height = 20;
const gap = 5;
const between = 7;

/** Wanted strokes stand, unwanted ones lean, neutral ones are short and low. */
const stroke: Record<LookFor['tone'], { lean: number; top: number; tone: 'lichen' | 'clay' | 'inkQuiet' }> = {
  wanted: { lean: 0, top: 2, tone: 'lichen' },
  unwanted: { lean: 5, top: 2, tone: 'clay' },
  neutral: { lean: 0, top: 10, tone: 'inkQuiet' },
};

/** The strokes of a count as one path, the fifth of each bundle across the four. */
function pathOf(
  count: number,
  { lean, top }: { lean: number; top: number },
): { path: string; width: number } {
  let x = 2;
  const parts: string[] = [];
  for (const bundle of strokeBundles(count)) {
    const upright = Math.min(bundle, 4);
    for (let index = 0; index < upright; index += 1)
      parts.push(`M${x + index * gap} ${height - 2}l${lean} ${top - height + 2}`);
    const last = x + (upright - 1) * gap;
    if (bundle === 5) parts.push(`M${x - 2} ${height - 5}L${last + lean + 2} ${top + 2}`);
    x = last + lean + between;
  }
  return { path: parts.join(''), width: x };
}

interface TallyStrokesProps {
  count: number;
  tone: LookFor['tone'];
}

/** A count as chalk strokes up to ten, then as a number. It says nothing to those who listen: the name does. */
export const TallyStrokes = memo(function TallyStrokes({ count, tone }: TallyStrokesProps) {
  const palette = usePalette();
  if (count === 0) return null;
  const look = stroke[tone];
  const { path, width } = pathOf(count > mostStrokes ? 1 : count, look);
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', height }} aria-hidden>
      <Svg width={width} height={height}>
        <Path d={path} stroke={palette[look.tone]} strokeWidth={2.4} strokeLinecap="round" fill="none" />
      </Svg>
      {count > mostStrokes ? (
        <Words bold figures tone={look.tone}>
          {String(count)}
        </Words>
      ) : null}
    </View>
  );
});
