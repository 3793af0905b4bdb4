import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { toneName } from '@slate-path/core/observation/tone/levels';
import type { Lesson } from '@slate-path/core/records/schema';
import { useRecords } from '../../../sync/useRecords';
import { usePalette } from '../../../theme/theme';
import { clockAt, courseOf, spanOf, tonesIn } from './toneOf';

interface ToneOnLineProps {
  lesson: Lesson;
  width: number;
}

const height = 22;
/** Where even is, and how far the next level is from it. */
const middle = 15;
const step = 3;

/** The tone on the lesson line, behind what was seen: a thin line, high where the class was up. */
export default function ToneOnLine({ lesson, width }: ToneOnLineProps) {
  const palette = usePalette();
  const records = useRecords(({ current }) => current.roomTone);
  const course = useMemo(() => courseOf(lesson, tonesIn(records, lesson.id)), [records, lesson]);
  if (course.length === 0) return null;
  const { from, to } = spanOf(lesson);
  const x = (at: number) => ((at - from) / (to - from)) * width;
  const y = (level: number) => middle - level * step;
  const line = course
    .map((one, at) => `${at === 0 ? 'M' : 'L'}${x(one.from)} ${y(one.level)}L${x(one.to)} ${y(one.level)}`)
    .join('');
  return (
    <View
      role="img"
      aria-label={`Tone: ${course.map((one) => `${toneName(one.level)} from ${clockAt(one.from)}`).join(', ')}`}
      style={{ position: 'absolute', left: 0, top: 0, width, height, pointerEvents: 'none' }}
    >
      <Svg width={width} height={height}>
        <Path d={line} stroke={palette.inkQuiet} strokeWidth={1.5} fill="none" />
      </Svg>
    </View>
  );
}
