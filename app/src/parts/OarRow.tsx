import { memo } from 'react';
import Svg, { Path } from 'react-native-svg';
import { usePalette } from '../theme/theme';

interface OarRowProps {
  /** From left to right; null is not set. */
  levels: readonly (number | null)[];
  /** Of the bar above each. */
  width: number;
  /** From the beginning of one bar to that of the next. */
  step: number;
}

const height = 8;

/** A level as strokes under the middle of a bar; none at all is a small ring. */
function strokesOf(level: number, middle: number): string {
  if (level === 0) return `M${middle - 2} 4a2 2 0 1 0 4 0a2 2 0 1 0 -4 0`;
  const first = middle - (level - 1) * 2.5 - 1;
  return Array.from({ length: level }, (_, index) => `M${first + index * 5} 7l2 -6`).join('');
}

/** Engagement under a string of presence bars: one picture, however many lessons. Words stand beside it. */
export const OarRow = memo(function OarRow({ levels, width, step }: OarRowProps) {
  const palette = usePalette();
  const path = levels
    .flatMap((level, at) => (level === null ? [] : [strokesOf(level, at * step + width / 2)]))
    .join('');
  if (path === '') return null;
  return (
    <Svg width={Math.max(step * (levels.length - 1) + width, 0)} height={height} aria-hidden>
      <Path d={path} fill="none" stroke={palette.inkQuiet} strokeWidth={1.6} strokeLinecap="round" />
    </Svg>
  );
});
