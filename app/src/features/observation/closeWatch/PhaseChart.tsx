import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Text as SvgText } from 'react-native-svg';
import { axisTicks } from '@slate-path/core/drawing/axisTicks';
import type { Measure } from '@slate-path/core/observation/closeWatch/figures';
import { dayOf, type Phase, type SessionValue } from '@slate-path/core/observation/closeWatch/phases';
import { dayMonth } from '../../../parts/dates';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { fonts } from '../../../theme/tokens';

interface PhaseChartProps {
  phases: readonly Phase[];
  measure: Measure;
  /** The same in words, for those who listen. */
  name: string;
}

const left = 44;
const top = 26;
const field = 180;
const under = 44;
/** What a day under the chart takes, as 16 Nov. */
const labelWidth = 50;

/** Sessions as dots by day; a dashed line where something changed, a bar for each phase's median, a thin line for its trend. */
export function PhaseChart({ phases, measure, name }: PhaseChartProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const all = phases.flatMap(({ values }) => values);
  const ticks =
    measure.most === 100 ? [0, 25, 50, 75, 100] : axisTicks(Math.max(0, ...all.map(({ value }) => value)));
  const most = ticks.at(-1) ?? 1;
  const first = all[0]?.at ?? 0;
  const span = Math.max((all.at(-1)?.at ?? 0) - first, 1);
  const [from, to] = [left + 14, width - 14];
  const x = (at: number) => (all.length < 2 ? (from + to) / 2 : from + ((at - first) / span) * (to - from));
  const y = (value: number) => top + (1 - Math.min(Math.max(value / most, 0), 1)) * field;
  const bottom = top + field;
  const label = { fontFamily: fonts.text, fontSize: 13, fill: palette.inkQuiet };
  return (
    <View
      role="img"
      aria-label={name}
      onLayout={({ nativeEvent: { layout } }) => {
        setWidth(layout.width);
      }}
    >
      <Words size="small" tone="inkQuiet">
        {measure.name}
      </Words>
      {width === 0 ? null : (
        <Svg width={width} height={bottom + under}>
          {ticks.map((tick) => (
            <G key={tick}>
              <Line x1={left} x2={width} y1={y(tick)} y2={y(tick)} stroke={palette.line} strokeWidth={1} />
              <SvgText {...label} x={left - 8} y={y(tick) + 4} textAnchor="end">
                {String(tick)}
              </SvgText>
            </G>
          ))}
          {phases.map((phase, index) => {
            const [one, other] = [phase.values[0], phase.values.at(-1)];
            if (!one || !other) return null;
            const next = phases.slice(index + 1).find(({ values }) => values.length > 0);
            const begins = index === 0 ? left : between(phases[index - 1], phase, x);
            const ends = next ? between(phase, next, x) : width;
            return (
              <G key={phase.startsOn ?? ''}>
                {index === 0 || begins === left ? null : (
                  <Line
                    x1={begins}
                    x2={begins}
                    y1={4}
                    y2={bottom}
                    stroke={palette.ink}
                    strokeWidth={1.5}
                    strokeDasharray="5 4"
                  />
                )}
                {phase.median === null ? null : (
                  <Line
                    x1={x(one.at) - 10}
                    x2={x(other.at) + 10}
                    y1={y(phase.median)}
                    y2={y(phase.median)}
                    stroke={palette.slate}
                    strokeWidth={4}
                    opacity={0.55}
                  />
                )}
                {phase.trend ? (
                  <Line
                    x1={x(one.at)}
                    x2={x(other.at)}
                    y1={y(phase.trend.intercept + phase.trend.slope * dayOf(one))}
                    y2={y(phase.trend.intercept + phase.trend.slope * dayOf(other))}
                    stroke={palette.inkQuiet}
                    strokeWidth={1.5}
                  />
                ) : null}
                <SvgText {...label} x={begins + (index === 0 ? 0 : 5)} y={14} fill={palette.ink}>
                  {fitting(index === 0 ? 'Baseline' : phase.name, ends - begins - 8)}
                </SvgText>
              </G>
            );
          })}
          {all.map(({ observationId, value, at }) => (
            <Circle key={observationId} cx={x(at)} cy={y(value)} r={5} fill={palette.ink} />
          ))}
          {labelled(all, x).map(({ observationId, date, at }) => (
            <SvgText
              key={observationId}
              {...label}
              x={Math.min(Math.max(x(at), left + labelWidth / 2 - 8), width - labelWidth / 2)}
              y={bottom + 18}
              textAnchor="middle"
            >
              {dayMonth(date)}
            </SvgText>
          ))}
          <SvgText {...label} x={left} y={bottom + 38}>
            Day of the session
          </SvgText>
        </Svg>
      )}
    </View>
  );
}

/** Where one phase ends and the next begins: in the middle between their sessions that are nearest. */
function between(before: Phase | undefined, after: Phase, x: (at: number) => number): number {
  const [last, first] = [before?.values.at(-1), after.values[0]];
  return last && first ? (x(last.at) + x(first.at)) / 2 : left;
}

/** Sessions whose days stand under the chart: as many as there is room for. */
function labelled(all: readonly SessionValue[], x: (at: number) => number): SessionValue[] {
  const shown: SessionValue[] = [];
  for (const one of all) {
    const last = shown.at(-1);
    if (!last || x(one.at) - x(last.at) >= labelWidth) shown.push(one);
  }
  return shown;
}

/** A letter takes about so many pixels. */
const letter = 7;

/** A name as far as there is room for it. */
function fitting(text: string, room: number): string {
  const most = Math.floor(room / letter);
  if (text.length <= most) return text;
  return most < 4 ? '' : `${text.slice(0, most - 1).trimEnd()}…`;
}
