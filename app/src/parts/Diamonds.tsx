import { Path } from 'react-native-svg';
import type { PieceStatus } from '@slate-path/core/work/pieceStatus';
import { usePalette } from '../theme/theme';

interface DiamondsProps {
  marks: readonly { x: number; y: number; status: PieceStatus }[];
  /** From the middle to a corner, in pixels. */
  size: number;
}

const whole = (x: number, y: number, r: number) => `M${x} ${y - r}l${r} ${r}l${-r} ${r}l${-r} ${-r}z`;
const rightHalf = (x: number, y: number, r: number) => `M${x} ${y - r}l${r} ${r}l${-r} ${r}z`;

/**
 * Pieces of work: a full diamond came on time, a half one late, an open one is missing; dotted is excused, a small
 * one is not due yet or not known. The shapes tell them apart without their colours.
 */
export function Diamonds({ marks, size }: DiamondsProps) {
  const palette = usePalette();
  const pathOf = (status: PieceStatus, shape: typeof whole, r = size) =>
    marks
      .filter((mark) => mark.status === status)
      .map(({ x, y }) => shape(Math.round(x * 10) / 10, y, r))
      .join('');
  const outline = { fill: palette.surface, strokeWidth: 1.5 };
  const small = pathOf('not_due', whole, size / 2) + pathOf('unknown', whole, size / 2);
  const [full, late, missing, excused] = [
    pathOf('on_time', whole),
    pathOf('late', whole),
    pathOf('missing', whole),
    pathOf('excused', whole),
  ];
  return (
    <>
      {full ? <Path d={full} fill={palette.lichen} /> : null}
      {late ? <Path d={late} {...outline} stroke={palette.ochre} /> : null}
      {late ? <Path d={pathOf('late', rightHalf)} fill={palette.ochre} /> : null}
      {missing ? <Path d={missing} {...outline} stroke={palette.clay} /> : null}
      {excused ? <Path d={excused} {...outline} stroke={palette.plum} strokeDasharray="2 2" /> : null}
      {small ? <Path d={small} {...outline} stroke={palette.inkQuiet} /> : null}
    </>
  );
}
