import { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { linePath } from '@slate-path/core/drawing/linePath';
import { Diamonds } from '../../../parts/Diamonds';
import { fonts } from '../../../theme/tokens';
import type { Palette } from '../../../theme/tokens';
import type { PathData, Pin } from './pathData';

/** Lanes begin here; their names stand to the left. */
export const left = 96;

/** Where and how a lane is drawn. */
export interface Drawing {
  x: (date: string) => number;
  palette: Palette;
  data: PathData;
  from: string;
  top: number;
}

/** What lies in the time shown. */
export const within = <T extends { date: string }>(list: readonly T[], from: string) =>
  list.filter(({ date }) => date >= from);

export function EngagementLane({ x, palette, data, from, top }: Drawing) {
  const y = (level: number) => top + 8 + (1 - level / 3) * 48;
  const shown = within(data.engagement, from);
  const path = linePath(shown.map(({ date, value }) => ({ x: x(date), y: y(value) })));
  const { usual } = data;
  return (
    <G>
      {usual ? (
        <Rect
          x={left}
          y={y(usual[1])}
          width={5000}
          height={Math.max(3, y(usual[0]) - y(usual[1]))}
          fill={palette.slateWash}
        />
      ) : null}
      {path ? (
        <Path d={path} stroke={palette.slate} strokeWidth={3} fill="none" strokeLinejoin="round" />
      ) : null}
      {shown.map(({ date, value }) => (
        <Circle key={date} cx={x(date)} cy={y(value)} r={2.5} fill={palette.slate} />
      ))}
    </G>
  );
}

export function PresenceLane({ x, palette, data, from, top }: Drawing) {
  return (
    <G>
      {within(data.presence, from).map(({ date, key, there }) => {
        const at = x(date) - 4;
        if (there === null)
          return (
            <Line
              key={key}
              x1={at}
              x2={at + 8}
              y1={top + 15}
              y2={top + 15}
              stroke={palette.plum}
              strokeWidth={1}
            />
          );
        if (there === 1)
          return <Rect key={key} x={at} y={top + 13} width={8} height={3} fill={palette.slate} />;
        return (
          <G key={key}>
            <Rect
              x={at}
              y={top + 8}
              width={8}
              height={13}
              fill={palette.surface}
              stroke={palette.ink}
              strokeWidth={1}
            />
            {there > 0 ? (
              <Rect x={at + 8 * (1 - there)} y={top + 8} width={8 * there} height={13} fill={palette.slate} />
            ) : null}
          </G>
        );
      })}
    </G>
  );
}

const mostStrokes = 5;

export function StrokesLane({ x, palette, data, from, top, kind }: Drawing & { kind: 'voice' | 'trouble' }) {
  const tone = kind === 'voice' ? palette.lichen : palette.clay;
  return (
    <G>
      {within(data[kind], from).map(({ date, value }) => (
        <G key={date}>
          {Array.from({ length: Math.min(value, mostStrokes) }, (_, index) => {
            const bottom = top + 36 - index * 7;
            const lean = kind === 'trouble' ? 5 : 0;
            return (
              <Line
                key={index}
                x1={x(date) - lean / 2}
                x2={x(date) + lean / 2}
                y1={bottom}
                y2={bottom - 5}
                stroke={tone}
                strokeWidth={2.5}
                strokeLinecap="round"
              />
            );
          })}
          {value > mostStrokes ? (
            <SvgText
              x={x(date)}
              y={top + 4}
              fontSize={11}
              fontFamily={fonts.text}
              fill={tone}
              textAnchor="middle"
            >
              {String(value)}
            </SvgText>
          ) : null}
        </G>
      ))}
    </G>
  );
}

/** Days on which something was done elsewhere, each twice as much a step higher, and work where it was due. */
export function ElsewhereLane({ x, palette, data, from, top }: Drawing) {
  const strokes = within(data.elsewhere, from)
    .map(({ date, value }) => `M${x(date).toFixed(1)} ${top + 38}v${-Math.min(18, 4 + 3 * Math.log2(value))}`)
    .join('');
  const marks = within(data.pieces, from).map(({ date, status }) => ({ x: x(date), y: top + 10, status }));
  return (
    <G>
      {strokes ? <Path d={strokes} stroke={palette.inkQuiet} strokeWidth={2} fill="none" /> : null}
      <Diamonds marks={marks} size={5} />
    </G>
  );
}

export function WeatherLane({ x, palette, data, from, top }: Drawing) {
  const y = (value: number) => top + 6 + (1 - (value - 1) / 4) * 32;
  const shown = within(data.weather, from);
  const path = linePath(shown.map(({ date, value }) => ({ x: x(date), y: y(value) })));
  return (
    <G>
      {path ? <Path d={path} stroke={palette.inkQuiet} strokeWidth={1.5} fill="none" /> : null}
      {shown.map(({ date, value }) => (
        <Circle key={date} cx={x(date)} cy={y(value)} r={2} fill={palette.inkQuiet} />
      ))}
    </G>
  );
}

export function PinShape({ pin, at, top, palette }: { pin: Pin; at: number; top: number; palette: Palette }) {
  if (pin.kind === 'step') return <Path d={`M${at} ${top + 8}l7 13h-14z`} fill={palette.ink} />;
  if (pin.kind === 'nod') return <Circle cx={at} cy={top + 16} r={6} fill={palette.lichen} />;
  if (pin.kind === 'observation')
    return (
      <Path
        d={`M${at - 7} ${top + 16}h14M${at} ${top + 9}v14`}
        stroke={palette.ink}
        strokeWidth={2}
        fill="none"
      />
    );
  if (pin.kind === 'game')
    return (
      <Path d={`M${at - 5} ${top + 24}v-16l11 4-11 4`} stroke={palette.ink} strokeWidth={2} fill="none" />
    );
  if (pin.kind === 'message')
    return (
      <Rect
        x={at - 6}
        y={top + 11}
        width={12}
        height={9}
        fill={palette.surface}
        stroke={palette.ink}
        strokeWidth={1.5}
      />
    );
  return <Rect x={at - 1.5} y={top + 8} width={3} height={14} fill={palette.slate} />;
}
