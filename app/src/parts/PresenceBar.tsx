import { memo } from 'react';
import Svg, { Path } from 'react-native-svg';
import { usePalette } from '../theme/theme';
import { barPaths, type BarShape } from '@slate-path/core/drawing/barPaths';

export type { BarShape } from '@slate-path/core/drawing/barPaths';

interface PresenceBarsProps {
  /** From left to right; null leaves a gap. */
  shapes: readonly (BarShape | null)[];
  /** Of each bar. */
  width: number;
  height: number;
  /** From the beginning of one bar to that of the next. */
  step: number;
}

/**
 * Lessons from left to right, each a bar. Here for all of it is a slim line; anything else an outlined
 * bar, filled for the part that was attended; excused is dotted, set aside a thin plum line. They say
 * nothing to those who listen: the words stand beside them. However many, they are a few strokes of
 * one picture: a month of a class would be a thousand pictures.
 */
export const PresenceBars = memo(function PresenceBars({ shapes, width, height, step }: PresenceBarsProps) {
  const palette = usePalette();
  const { filled, outlined, excused, setAside, stroke } = barPaths(shapes, { width, height, step });
  const outline = { fill: 'none', strokeWidth: stroke };
  return (
    <Svg width={Math.max(step * (shapes.length - 1) + width, 0)} height={height} aria-hidden>
      {filled ? <Path d={filled} fill={palette.slate} /> : null}
      {outlined ? <Path d={outlined} {...outline} stroke={palette.slate} /> : null}
      {excused ? <Path d={excused} {...outline} stroke={palette.plum} strokeDasharray="2.5 2.5" /> : null}
      {setAside ? <Path d={setAside} {...outline} stroke={palette.plum} strokeWidth={1.5} /> : null}
    </Svg>
  );
});

interface PresenceBarProps {
  shape: BarShape;
  width?: number;
  height?: number;
}

/** The sign of one lesson. */
export const PresenceBar = memo(function PresenceBar({ shape, width = 76, height = 14 }: PresenceBarProps) {
  return <PresenceBars shapes={[shape]} width={width} height={height} step={width} />;
});
