import { useState } from 'react';
import { View } from 'react-native';
import Svg, { G, Line, Rect, Text as SvgText } from 'react-native-svg';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { fonts } from '../../../theme/tokens';
import { axisTicks } from '@slate-path/core/drawing/axisTicks';

export interface ChartBar {
  key: string;
  label: string;
  /** Null where nothing was observed: no bar, and said so. */
  value: number | null;
}

interface CountChartProps {
  bars: readonly ChartBar[];
  /** What the length of a bar is, with its unit. */
  axis: string;
  /** What a bar stands for: Student, Lesson, Week. */
  groupAxis: string;
  tone: 'lichen' | 'clay' | 'inkQuiet';
  /** The same in words, for those who listen. */
  name: string;
}

const rowHeight = 26;
const barHeight = 14;
const labelWidth = 132;
const valueWidth = 52;
const headHeight = 26;

/** Bars from left to right, one a line, labelled with their values; both axes have names. */
export function CountChart({ bars, axis, groupAxis, tone, name }: CountChartProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const values = bars.map(({ value }) => value ?? 0);
  const ticks = axisTicks(Math.max(0, ...values), values.every(Number.isInteger));
  const most = ticks.at(-1) ?? 1;
  const field = Math.max(width - labelWidth - valueWidth, 40);
  const x = (value: number) => labelWidth + (value / most) * field;
  const height = headHeight + bars.length * rowHeight + 4;
  const text = { fontFamily: fonts.text, fontSize: 14, fill: palette.ink };
  const quiet = { ...text, fill: palette.inkQuiet, fontSize: 13 };
  return (
    <View
      role="img"
      aria-label={name}
      onLayout={({ nativeEvent: { layout } }) => {
        setWidth(layout.width);
      }}
    >
      <Words size="small" tone="inkQuiet">
        {axis}
      </Words>
      {width === 0 ? null : (
        <Svg width={width} height={height}>
          <SvgText {...quiet} x={0} y={headHeight - 12}>
            {groupAxis}
          </SvgText>
          {ticks.map((tick) => (
            <G key={tick}>
              <Line
                x1={x(tick)}
                x2={x(tick)}
                y1={headHeight - 8}
                y2={height}
                stroke={palette.line}
                strokeWidth={1}
              />
              <SvgText {...quiet} x={x(tick)} y={headHeight - 12} textAnchor="middle">
                {String(tick)}
              </SvgText>
            </G>
          ))}
          {bars.map(({ key, label, value }, index) => {
            const top = headHeight + index * rowHeight;
            return (
              <G key={key}>
                <SvgText {...text} x={0} y={top + 15}>
                  {label}
                </SvgText>
                {value === null ? (
                  <SvgText {...quiet} x={labelWidth + 4} y={top + 15}>
                    not observed
                  </SvgText>
                ) : (
                  <>
                    <Rect
                      x={labelWidth}
                      y={top + (rowHeight - barHeight) / 2 - 2}
                      width={Math.max(x(value) - labelWidth, value > 0 ? 2 : 0)}
                      height={barHeight}
                      rx={2}
                      fill={palette[tone]}
                    />
                    <SvgText {...text} x={x(value) + 6} y={top + 15}>
                      {String(Math.round(value * 10) / 10)}
                    </SvgText>
                  </>
                )}
              </G>
            );
          })}
        </Svg>
      )}
    </View>
  );
}
