import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Rect } from 'react-native-svg';
import { median } from '@slate-path/core/statistics/median';
import { middleHalf } from '@slate-path/core/statistics/middleHalf';
import { scorePercent } from '@slate-path/core/work/scores';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import type { Part } from './usePiece';

const height = 56;
const dot = 4;

/** The class's scores: a dot a student, the middle half as a band, the median as a line. */
export function ScorePicture({ parts, points }: { parts: readonly Part[]; points: number | null }) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const percents = parts.flatMap(({ score }) => scorePercent(score, points) ?? []);
  const middle = median(percents);
  const half = middleHalf(percents);
  if (percents.length < 3 || middle === null || half === null) return null;
  const highest = Math.max(100, ...percents);
  const xOf = (percent: number) => dot + (percent / highest) * (width - 2 * dot);
  const stacked = new Map<number, number>();
  const words = `Half of ${percents.length} scores are ${Math.round(middle)} % or more; the middle half lies between ${Math.round(half.from)} and ${Math.round(half.to)} %.`;
  return (
    <View
      style={{ maxWidth: 560 }}
      onLayout={({ nativeEvent }) => {
        setWidth(nativeEvent.layout.width);
      }}
    >
      <Words size="small" figures>
        {words}
      </Words>
      {width > 0 ? (
        <Svg width={width} height={height} aria-hidden>
          <Rect
            x={xOf(half.from)}
            y={0}
            width={Math.max(2, xOf(half.to) - xOf(half.from))}
            height={height - 2}
            fill={palette.slateWash}
          />
          <Line
            x1={xOf(middle)}
            x2={xOf(middle)}
            y1={0}
            y2={height - 2}
            stroke={palette.slate}
            strokeWidth={2}
          />
          <Line x1={0} x2={width} y1={height - 1} y2={height - 1} stroke={palette.line} />
          {percents
            .toSorted((a, b) => a - b)
            .map((percent, index) => {
              const column = Math.round(xOf(percent) / (2 * dot));
              const place = stacked.get(column) ?? 0;
              stacked.set(column, place + 1);
              return (
                <Circle
                  key={index}
                  cx={xOf(percent)}
                  cy={Math.max(dot, height - 3 - dot - place * 2 * dot)}
                  r={dot - 0.5}
                  fill={palette.ink}
                />
              );
            })}
        </Svg>
      ) : null}
      <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
        <Words size="small" tone="inkQuiet" figures>
          0 %
        </Words>
        <Words size="small" tone="inkQuiet" figures>
          {`${Math.round(highest)} % of the points`}
        </Words>
      </View>
    </View>
  );
}
