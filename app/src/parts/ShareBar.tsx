import Svg, { Rect } from 'react-native-svg';
import { usePalette } from '../theme/theme';

interface ShareBarProps {
  /** Parts of a whole, 0 to 1 each; what is left is missed. */
  there: number;
  excused: number;
  width?: number;
}

/**
 * A presence bar over many lessons: filled for the share attended, dotted for what was excused, empty
 * for the rest. Its words stand beside it.
 */
export function ShareBar({ there, excused, width = 120 }: ShareBarProps) {
  const palette = usePalette();
  const height = 12;
  const filled = Math.max(Math.min(there, 1), 0) * (width - 2);
  // Always there is the quietest sign, as on the roll.
  if (there >= 0.9995)
    return (
      <Svg width={width} height={height} aria-hidden>
        <Rect x={0} y={4} width={width} height={4} rx={2} fill={palette.slate} />
      </Svg>
    );
  const dotted = Math.max(Math.min(excused, 1 - there), 0) * (width - 2);
  return (
    <Svg width={width} height={height} aria-hidden>
      <Rect
        x={1}
        y={1}
        width={width - 2}
        height={height - 2}
        rx={3}
        fill="none"
        stroke={palette.slate}
        strokeWidth={1.5}
      />
      <Rect x={1} y={1} width={filled} height={height - 2} rx={3} fill={palette.slate} />
      {dotted > 2 ? (
        <Rect
          x={1 + filled}
          y={3}
          width={dotted}
          height={height - 6}
          fill="none"
          stroke={palette.plum}
          strokeWidth={1.5}
          strokeDasharray="2 2"
        />
      ) : null}
    </Svg>
  );
}
