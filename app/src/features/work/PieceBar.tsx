import Svg, { Rect } from 'react-native-svg';
import type { PieceCounts } from '@slate-path/core/work/pieceStatus';
import { usePalette } from '../../theme/theme';

const height = 10;

/** How a piece of work came: full on time, half as high late, open missing, dotted excused. Its words stand beside it. */
export function PieceBar({ counts, width }: { counts: PieceCounts; width: number }) {
  const palette = usePalette();
  const { on_time, late, missing, excused, not_due, unknown } = counts;
  const all = on_time + late + missing + excused + not_due + unknown;
  if (all === 0) return null;
  const parts = [on_time, late, missing, excused, not_due + unknown].map((count) => (count / all) * width);
  const starts = parts.map((_, index) => parts.slice(0, index).reduce((sum, part) => sum + part, 0));
  const [full = 0, half = 0, open = 0, dotted = 0, rest = 0] = parts;
  const at = (index: number) => starts[index] ?? 0;
  const outline = (index: number, part: number) => ({
    x: at(index) + 0.75,
    y: 0.75,
    width: Math.max(1, part - 1.5),
    height: height - 1.5,
    fill: 'none',
    strokeWidth: 1.5,
  });
  return (
    <Svg width={width} height={height} aria-hidden>
      {full > 0 ? <Rect x={at(0)} y={0} width={full} height={height} fill={palette.lichen} /> : null}
      {half > 0 ? (
        <Rect x={at(1)} y={height / 2} width={half} height={height / 2} fill={palette.ochre} />
      ) : null}
      {open > 0 ? <Rect {...outline(2, open)} stroke={palette.clay} /> : null}
      {dotted > 0 ? <Rect {...outline(3, dotted)} stroke={palette.plum} strokeDasharray="2 2" /> : null}
      {rest > 0 ? <Rect x={at(4)} y={height - 2} width={rest} height={2} fill={palette.line} /> : null}
    </Svg>
  );
}
