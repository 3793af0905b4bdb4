import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import type { Evidence } from '@slate-path/core/watch/signals/evidence';
import { dayMonth } from '../../parts/dates';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { fonts, space } from '../../theme/tokens';
import { axes } from './axes';

const height = 104;
/** Room at the left for words, or for numbers. */
const besideWords = 56;
const besideNumbers = 36;
const top = 8;
const bottom = 22;

interface Scale {
  x: (index: number) => number;
  y: (value: number) => number;
}

/** A running mean of the last few times: a heavy line that does not jump with each lesson. */
function smooth(values: readonly number[], over: number): number[] {
  return values.map((_, at) => {
    const last = values.slice(Math.max(0, at - over + 1), at + 1);
    return last.reduce((sum, value) => sum + value, 0) / last.length;
  });
}

const line = (values: readonly (number | null)[], { x, y }: Scale) =>
  values
    .flatMap((value, index) => (value === null ? [] : [`${x(index).toFixed(1)} ${y(value).toFixed(1)}`]))
    .map((point, index) => `${index === 0 ? 'M' : 'L'}${point}`)
    .join('');

/** The last such days of a pattern, one box each: filled where it was so. All of them stand in one row. */
function PatternDays({ evidence, spoken }: { evidence: Evidence; spoken: string }) {
  const palette = usePalette();
  return (
    <View role="img" aria-label={spoken} style={{ flexDirection: 'row', gap: space(1) }}>
      {evidence.points.map(({ date, value }) => (
        <View key={date} style={{ flex: 1, maxWidth: 44, alignItems: 'center', gap: 2 }}>
          <View
            style={{
              width: '100%',
              height: 18,
              borderRadius: 3,
              borderWidth: value > 0 ? 2 : 1,
              borderColor: value > 0 ? palette.ink : palette.inkQuiet,
              backgroundColor: value > 0 ? palette.ink : palette.surface,
            }}
          />
          <Words size="small" tone="inkQuiet" figures style={{ textAlign: 'center' }}>
            {dayMonth(date).replace(' ', '\n')}
          </Words>
        </View>
      ))}
    </View>
  );
}

/** The picture that proves a piece of evidence. */
export default function EvidenceChart(props: { evidence: Evidence; spoken: string }) {
  return props.evidence.kind === 'pattern' ? <PatternDays {...props} /> : <StreamChart {...props} />;
}

/** One stream of one student: the usual as a band, the class's middle thin, now heavy, the onset dashed. */
function StreamChart({ evidence, spoken }: { evidence: Evidence; spoken: string }) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const { points, band, since, stream } = evidence;
  const axis = axes[stream];
  const left = axis.yesNo ? besideWords : besideNumbers;
  const values = points.map(({ value }) => value);
  const shown = smooth(values, axis.yesNo ? 5 : 3);
  const medians = smooth(
    points.map(({ classMiddle }) => classMiddle ?? 0),
    axis.yesNo ? 5 : 3,
  );
  const most = axis.to ?? Math.max(2, ...values, ...medians);
  const least = Math.min(axis.from, ...values);
  const scale: Scale = {
    x: (index) => left + ((index + 0.5) / Math.max(1, points.length)) * (width - left - 6),
    y: (value) => top + (1 - (value - least) / (most - least)) * (height - top - bottom),
  };
  const onset = points.findIndex(({ date }) => date >= since);
  const text = { fontFamily: fonts.text, fontSize: 13, fill: palette.inkQuiet };
  const [low, high] = axis.yesNo ?? [String(least), String(Math.round(most * 10) / 10)];
  return (
    <View
      role="img"
      aria-label={spoken}
      onLayout={({ nativeEvent }) => {
        setWidth(nativeEvent.layout.width);
      }}
    >
      <Words size="small" tone="inkQuiet">
        {axis.yesNo ? `${axis.name} by lesson` : axis.name}
      </Words>
      {width === 0 || points.length === 0 ? (
        <View style={{ height }} />
      ) : (
        <Svg width={width} height={height}>
          <Rect
            x={left}
            y={scale.y(band[1])}
            width={Math.max(0, width - left - 6)}
            height={Math.max(3, scale.y(band[0]) - scale.y(band[1]))}
            fill={palette.slateWash}
          />
          <SvgText {...text} x={left - 6} y={scale.y(most) + 9} textAnchor="end">
            {high}
          </SvgText>
          <SvgText {...text} x={left - 6} y={scale.y(least)} textAnchor="end">
            {low}
          </SvgText>
          <Line x1={left} x2={width - 6} y1={height - bottom} y2={height - bottom} stroke={palette.line} />
          <Path d={line(medians, scale)} stroke={palette.inkQuiet} strokeWidth={1} fill="none" />
          {axis.yesNo
            ? null
            : values.map((value, index) => (
                <Circle key={index} cx={scale.x(index)} cy={scale.y(value)} r={2} fill={palette.slate} />
              ))}
          <Path
            d={line(shown, scale)}
            stroke={palette.slate}
            strokeWidth={3}
            fill="none"
            strokeLinejoin="round"
          />
          {axis.yesNo
            ? points.map(({ value }, index) =>
                value === 0 ? null : (
                  <Rect key={index} x={scale.x(index) - 2} y={top} width={4} height={8} fill={palette.ink} />
                ),
              )
            : null}
          {onset > 0 ? (
            <G>
              <Line
                x1={scale.x(onset - 0.5)}
                x2={scale.x(onset - 0.5)}
                y1={2}
                y2={height - bottom}
                stroke={palette.ember}
                strokeWidth={2}
                strokeDasharray="4 4"
              />
            </G>
          ) : null}
          <SvgText {...text} x={left} y={height - 6}>
            {dayMonth(points[0]?.date ?? since)}
          </SvgText>
          <SvgText {...text} x={width - 6} y={height - 6} textAnchor="end">
            {dayMonth(points.at(-1)?.date ?? since)}
          </SvgText>
        </Svg>
      )}
    </View>
  );
}
