import { memo } from 'react';
import Svg, { Line, Rect } from 'react-native-svg';
import { usePalette } from '../theme/theme';

/** What a bar shows of one lesson. `nothing` is a lesson whose roll was not taken. */
export type BarShape =
  | { kind: 'nothing' }
  | { kind: 'setAside' }
  | { kind: 'here' }
  | { kind: 'away'; excused: boolean }
  /** Part of the lesson, as shares of it from 0 to 1. */
  | { kind: 'part'; from: number; to: number };

interface PresenceBarProps {
  shape: BarShape;
  width?: number;
  height?: number;
}

/**
 * The lesson from left to right. Here for all of it is a slim line; anything else an outlined bar,
 * filled for the part that was attended; excused is dotted, set aside a thin plum line.
 * It says nothing to those who listen: the words stand beside it.
 */
export const PresenceBar = memo(function PresenceBar({ shape, width = 76, height = 14 }: PresenceBarProps) {
  const palette = usePalette();
  const stroke = height < 12 ? 1.5 : 2;
  const middle = height / 2;
  const slim = Math.max(3, height * 0.32);
  const outline = {
    x: stroke / 2,
    y: stroke / 2,
    width: width - stroke,
    height: height - stroke,
    rx: Math.min(4, height / 3),
    fill: 'none',
    strokeWidth: stroke,
  };
  return (
    <Svg width={width} height={height} aria-hidden>
      {shape.kind === 'here' ? (
        <Rect x={0} y={middle - slim / 2} width={width} height={slim} rx={slim / 2} fill={palette.slate} />
      ) : null}
      {shape.kind === 'setAside' ? (
        <Line x1={0} x2={width} y1={middle} y2={middle} stroke={palette.plum} strokeWidth={1.5} />
      ) : null}
      {shape.kind === 'away' ? (
        <Rect
          {...outline}
          stroke={shape.excused ? palette.plum : palette.slate}
          strokeDasharray={shape.excused ? '2.5 2.5' : undefined}
        />
      ) : null}
      {shape.kind === 'part' ? (
        <>
          <Rect {...outline} stroke={palette.slate} />
          <Rect
            x={shape.from * width}
            y={0}
            width={Math.max((shape.to - shape.from) * width, 1)}
            height={height}
            rx={Math.min(3, height / 4)}
            fill={palette.slate}
          />
        </>
      ) : null}
    </Svg>
  );
});
