import { memo } from 'react';
import Svg, { Circle, Path } from 'react-native-svg';
import { usePalette } from '../theme/theme';
import type { Palette } from '../theme/tokens';

interface OarMarksProps {
  /** 0 to 3; 0 is an empty ring, so that it is told from nothing. */
  level: number;
  tone?: keyof Palette;
  size?: number;
}

/** How engaged somebody was, as short strokes side by side. It says nothing to those who listen: words stand beside it. */
export const OarMarks = memo(function OarMarks({ level, tone = 'slate', size = 22 }: OarMarksProps) {
  const palette = usePalette();
  const line = { stroke: palette[tone], strokeWidth: 2.4, strokeLinecap: 'round' } as const;
  const first = 12 - (level - 1) * 3;
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" fill="none" aria-hidden>
      {level === 0 ? <Circle cx={12} cy={12} r={4} stroke={palette[tone]} strokeWidth={2} /> : null}
      {Array.from({ length: level }, (_, index) => (
        <Path key={index} d={`M${first + index * 6} 17L${first + index * 6 + 2} 7`} {...line} />
      ))}
    </Svg>
  );
});
