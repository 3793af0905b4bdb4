import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Path, Text as SvgText } from 'react-native-svg';
import { toneLevels, toneName } from '@slate-path/core/observation/tone/levels';
import type { ToneStep } from '@slate-path/core/observation/tone/course';
import type { Lesson } from '@slate-path/core/records/schema';
import { Words } from '../../../parts/Words';
import { ToneLevels } from './ToneLevels';
import { usePalette } from '../../../theme/theme';
import { fonts } from '../../../theme/tokens';
import { clockAt, spanOf } from './toneOf';

interface ToneCourseProps {
  lesson: Lesson;
  course: readonly ToneStep[];
}

const left = 72;
const right = 12;
const rowHeight = 26;
const top = 8;

/** How the tone went over a lesson: a line that steps up and down, with the lesson's time below it. */
export function ToneCourse({ lesson, course }: ToneCourseProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const { from, to } = spanOf(lesson);
  const field = Math.max(width - left - right, 40);
  const x = (at: number) => left + ((at - from) / (to - from)) * field;
  const y = (level: number) => top + (2 - level) * rowHeight + rowHeight / 2;
  const bottom = top + toneLevels.length * rowHeight;
  const label = { fontFamily: fonts.text, fontSize: 14, fill: palette.inkQuiet };
  const line = course
    .map((step, at) => {
      const joins = course[at - 1]?.to === step.from;
      return `${joins ? 'L' : 'M'}${x(step.from)} ${y(step.level)}L${x(step.to)} ${y(step.level)}`;
    })
    .join('');
  const words = course
    .map(({ from: since, level }) => `from ${clockAt(since)} ${toneName(level)}`)
    .join(', ');
  return (
    <View
      role="img"
      aria-label={`The tone of the room: ${words || 'not set'}`}
      onLayout={({ nativeEvent: { layout } }) => {
        setWidth(layout.width);
      }}
    >
      <Words size="small" tone="inkQuiet">
        Tone of the room by time
      </Words>
      {width === 0 ? null : (
        <Svg width={width} height={bottom + 24}>
          <ToneLevels from={left} to={left + field} y={y} />
          <Path d={line} stroke={palette.slate} strokeWidth={4} strokeLinecap="round" fill="none" />
          <SvgText {...label} x={left} y={bottom + 18}>
            {lesson.startsAt}
          </SvgText>
          <SvgText {...label} x={left + field} y={bottom + 18} textAnchor="end">
            {lesson.endsAt}
          </SvgText>
        </Svg>
      )}
    </View>
  );
}
