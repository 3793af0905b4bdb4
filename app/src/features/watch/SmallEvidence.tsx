import { View } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';
import type { Evidence } from '@slate-path/core/watch/signals/evidence';
import { usePalette } from '../../theme/theme';
import { axes } from './axes';

const width = 116;
const height = 40;
const mostMarks = 14;
/** So many of the last points: what is older is on the page of the concern. */
const mostPoints = 24;

/** The proof as a small picture: a box for each time it was so, or the line of now over the shaded usual. */
export function SmallEvidence({ evidence }: { evidence: Evidence }) {
  const { kind, stream } = evidence;
  return (
    <View style={{ width, height }} aria-hidden>
      <Svg width={width} height={height}>
        {kind === 'pattern' || axes[stream].yesNo ? (
          <Marks evidence={evidence} />
        ) : (
          <LineOfNow evidence={evidence} />
        )}
      </Svg>
    </View>
  );
}

function Marks({ evidence }: { evidence: Evidence }) {
  const palette = usePalette();
  const last = evidence.points.slice(-mostMarks);
  const step = width / mostMarks;
  const from = (mostMarks - last.length) * step;
  return last.map(({ date, value }, index) => {
    const x = from + index * step + 1;
    return value > 0 ? (
      <Rect
        key={`${date} ${index}`}
        x={x}
        y={14}
        width={step - 2.5}
        height={12}
        rx={1.5}
        fill="none"
        stroke={palette.ink}
        strokeWidth={1.5}
      />
    ) : (
      <Rect key={`${date} ${index}`} x={x} y={19} width={step - 2} height={2} fill={palette.slate} />
    );
  });
}

function LineOfNow({ evidence }: { evidence: Evidence }) {
  const palette = usePalette();
  const { band, stream } = evidence;
  const values = evidence.points.slice(-mostPoints).map(({ value }) => value);
  const most = Math.max(axes[stream].to ?? 0, band[1], ...values, 1);
  const least = Math.min(axes[stream].from, band[0], ...values);
  const y = (value: number) => 4 + (1 - (value - least) / (most - least)) * (height - 8);
  const step = width / Math.max(1, values.length - 1);
  const line = values
    .map((value, index) => `${index === 0 ? 'M' : 'L'}${(index * step).toFixed(1)} ${y(value).toFixed(1)}`)
    .join('');
  return (
    <>
      <Rect
        x={0}
        y={y(band[1])}
        width={width}
        height={Math.max(2, y(band[0]) - y(band[1]))}
        fill={palette.slateWash}
      />
      <Path d={line} stroke={palette.slate} strokeWidth={2} strokeLinejoin="round" fill="none" />
    </>
  );
}
