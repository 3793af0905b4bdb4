/** What a bar shows of one lesson. `nothing` is a lesson whose roll was not taken. */
export type BarShape =
  | { kind: 'nothing' }
  | { kind: 'setAside' }
  | { kind: 'here' }
  | { kind: 'away'; excused: boolean }
  /** Part of the lesson, as shares of it from 0 to 1. */
  | { kind: 'part'; from: number; to: number };

interface BarSize {
  width: number;
  height: number;
  step: number;
  /** Where each bar begins, where they do not stand at one distance. */
  places?: readonly number[];
}

const round = (value: number) => Math.round(value * 100) / 100;

/** A rectangle with round corners, as SVG path data. */
function roundedBox(x: number, y: number, width: number, height: number, radius: number): string {
  const r = round(Math.min(radius, width / 2, height / 2));
  const [w, h] = [round(width - 2 * r), round(height - 2 * r)];
  const corner = (dx: number, dy: number) => `a${r} ${r} 0 0 1 ${dx} ${dy}`;
  return `M${round(x + r)} ${round(y)}h${w}${corner(r, r)}v${h}${corner(-r, r)}h${-w}${corner(-r, -r)}v${-h}${corner(r, -r)}z`;
}

/** Lessons' bars, those of one look together in one path (SVG path data; empty where there are none). */
export interface BarPaths {
  filled: string;
  outlined: string;
  excused: string;
  setAside: string;
  /** Width of the outlines, in pixels. */
  stroke: number;
}

/** @param shapes from left to right; null leaves a gap @param size of each bar and from one to the next, in pixels */
export function barPaths(
  shapes: readonly (BarShape | null)[],
  { width, height, step, places }: BarSize,
): BarPaths {
  const stroke = height < 12 ? 1.5 : 2;
  const middle = height / 2;
  const slim = Math.max(3, height * 0.32);
  const paths = { filled: '', outlined: '', excused: '', setAside: '' };
  shapes.forEach((shape, index) => {
    const x = places?.[index] ?? index * step;
    const outline = () =>
      roundedBox(x + stroke / 2, stroke / 2, width - stroke, height - stroke, Math.min(4, height / 3));
    switch (shape?.kind) {
      case 'here':
        paths.filled += roundedBox(x, middle - slim / 2, width, slim, slim / 2);
        break;
      case 'setAside':
        paths.setAside += `M${x} ${middle}h${width}`;
        break;
      case 'away':
        paths[shape.excused ? 'excused' : 'outlined'] += outline();
        break;
      case 'part': {
        const there = Math.max((shape.to - shape.from) * width, 1);
        paths.outlined += outline();
        paths.filled += roundedBox(x + shape.from * width, 0, there, height, Math.min(3, height / 4));
        break;
      }
      default:
    }
  });
  return { ...paths, stroke };
}
