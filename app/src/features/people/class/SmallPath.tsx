import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';
import type { ClassGlance } from '@slate-path/core/watch/signals/glance';
import { usePalette } from '../../../theme/theme';

interface SmallPathProps {
  student: Pick<ClassGlance['students'][number], 'missed' | 'engagement'>;
  lessons: ClassGlance['lessons'];
  /** In pixels. */
  width: number;
  /** So many of the lessons, the last ones. */
  last: number;
}

const height = 40;
const lineTop = 4;
const lineHeight = 18;
const barsTop = 28;
const missedHeight = 9;

/** A student's last lessons in one small picture: engagement as a line, under it a bar for each lesson. */
export const SmallPath = memo(function SmallPath({ student, lessons: all, width, last }: SmallPathProps) {
  const palette = usePalette();
  const lessons = all.slice(-last);
  const step = width / last;
  // Of a class that is new the few lessons stand at the right, where the last one always is.
  const first = last - lessons.length;
  const at = new Map(lessons.map(({ date }, index) => [date, first + index]));
  const line = student.engagement
    .flatMap(({ date, value }) => {
      const index = at.get(date);
      return index === undefined
        ? []
        : [`${((index + 0.5) * step).toFixed(1)} ${(lineTop + (1 - value / 3) * lineHeight).toFixed(1)}`];
    })
    .map((point, index) => `${index === 0 ? 'M' : 'L'}${point}`)
    .join('');
  return (
    <View style={{ height, width }} aria-hidden>
      <Svg width={width} height={height}>
        {student.missed
          .slice(-last)
          .map((missed, index) =>
            missed === null ? null : missed === 1 ? (
              <Rect
                key={index}
                x={(first + index) * step + 1}
                y={barsTop}
                width={Math.max(2, step - 2)}
                height={missedHeight}
                rx={1.5}
                fill="none"
                stroke={palette.ink}
                strokeWidth={1.5}
              />
            ) : (
              <Rect
                key={index}
                x={(first + index) * step + 1}
                y={barsTop + missedHeight / 2 - 1}
                width={Math.max(1, step - 2)}
                height={2}
                fill={palette.slate}
              />
            ),
          )}
        {line ? (
          <Path d={line} stroke={palette.slate} strokeWidth={2} strokeLinejoin="round" fill="none" />
        ) : null}
      </Svg>
    </View>
  );
});
