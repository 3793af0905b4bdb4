import { memo } from 'react';
import Svg, { Line, Path } from 'react-native-svg';
import { daysBetween, minutesOf } from '@slate-path/core/calendar/localTime';
import { barPaths } from '@slate-path/core/drawing/barPaths';
import { usePalette } from '../../theme/theme';
import { Diamonds } from '../../parts/Diamonds';
import type { DoneDay, RailRow } from './useClassWork';

interface RailsProps {
  row: Pick<RailRow, 'lessons' | 'done' | 'pieces'>;
  from: string;
  to: string;
  width: number;
}

export const railsHeight = 34;
const bar = { top: 3, height: 9, narrowest: 5, widest: 26 };
const strokes = { top: 19, height: 10 };
const diamond = { y: 24, size: 6 };
/** From so many days on a day is one stroke, the higher the more was done; below that each hour has its own. */
const daysWithHours = 14;
const minutesOfDay = 24 * 60;

/** What the rails of some days show, in words. */
export function railsLegend(from: string, to: string): string {
  const step = daysBetween(from, to) < daysWithHours ? 'hour' : 'day';
  return `Above in the room: a bar for each lesson, slim when there, open when missed. Below elsewhere: a stroke for each ${step} in which something was done. A diamond is a piece of work where it was due: full on time, half late, open missing.`;
}

/** A stroke for each hour in which something was done. */
function hourStrokes(days: readonly DoneDay[], xOf: (day: string, minute: number) => number): string {
  return days
    .flatMap(({ day, hours }) =>
      Array.from({ length: 24 }, (_, hour) =>
        (hours >> hour) & 1 ? `M${xOf(day, hour * 60 + 30).toFixed(1)} ${strokes.top}v${strokes.height}` : '',
      ),
    )
    .join('');
}

/** A stroke for each day; twice as much is a step higher. */
function dayStrokes(days: readonly DoneDay[], xOf: (day: string, minute: number) => number): string {
  return days
    .map(({ day, count }) => {
      const height = Math.min(strokes.height, 3 + 2 * Math.log2(count));
      const x = xOf(day, minutesOfDay / 2).toFixed(1);
      return `M${x} ${strokes.top + strokes.height}v${(-height).toFixed(1)}`;
    })
    .join('');
}

/**
 * A student's days on two rails that share one line of time: above in the room, a presence bar for each lesson;
 * below elsewhere, with a diamond for each piece of work where it was due.
 */
export const Rails = memo(function Rails({ row, from, to, width }: RailsProps) {
  const palette = usePalette();
  const days = daysBetween(from, to) + 1;
  const dayWidth = width / days;
  const xOf = (day: string, minute: number) => (daysBetween(from, day) + minute / minutesOfDay) * dayWidth;
  const barWidth = Math.max(bar.narrowest, Math.min(bar.widest, dayWidth * 0.4));
  const places = row.lessons.map(({ lesson }) => {
    const middle = (minutesOf(lesson.startsAt) + minutesOf(lesson.endsAt)) / 2;
    return Math.max(0, Math.min(width - barWidth, xOf(lesson.date, middle) - barWidth / 2));
  });
  const bars = barPaths(
    row.lessons.map(({ shape }) => shape),
    { width: barWidth, height: bar.height, step: 0, places },
  );
  const done = days > daysWithHours ? dayStrokes(row.done, xOf) : hourStrokes(row.done, xOf);
  const marks = row.pieces.map(({ dueAt, status }) => {
    const x = xOf(dueAt.slice(0, 10), minutesOf(dueAt.slice(11, 16)));
    return { x: Math.max(diamond.size, Math.min(width - diamond.size, x)), y: diamond.y, status };
  });
  const outline = { fill: 'none', strokeWidth: bars.stroke, y: bar.top };
  return (
    <Svg width={width} height={railsHeight} aria-hidden>
      {days <= daysWithHours
        ? Array.from({ length: days - 1 }, (_, index) => {
            const x = Math.round((index + 1) * dayWidth) + 0.5;
            return <Line key={index} x1={x} x2={x} y1={0} y2={railsHeight} stroke={palette.line} />;
          })
        : null}
      {bars.filled ? <Path d={bars.filled} y={bar.top} fill={palette.slate} /> : null}
      {bars.outlined ? <Path d={bars.outlined} {...outline} stroke={palette.slate} /> : null}
      {bars.excused ? (
        <Path d={bars.excused} {...outline} stroke={palette.plum} strokeDasharray="2.5 2.5" />
      ) : null}
      {bars.setAside ? <Path d={bars.setAside} {...outline} stroke={palette.plum} /> : null}
      {done ? (
        <Path
          d={done}
          stroke={palette.inkQuiet}
          strokeWidth={days > daysWithHours ? Math.min(3, dayWidth * 0.6) : 1.5}
        />
      ) : null}
      <Diamonds marks={marks} size={diamond.size} />
    </Svg>
  );
});
