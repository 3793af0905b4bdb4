import { View } from 'react-native';
import Svg, { Circle, Rect } from 'react-native-svg';
import { outcomeWords, type Outcome } from '@slate-path/core/observation/closeWatch/outcomes';
import { usePalette } from '../../../theme/theme';

interface OutcomeStripProps {
  outcomes: readonly Outcome[];
  /** So many of them have been; the others are not drawn. */
  until?: number;
  /** In pixels. */
  width: number;
  height?: number;
}

const widest = 14;

/** The intervals of a session: a full column was seen, an empty low one was not, a dot is not observed. */
export function OutcomeStrip({ outcomes, until = outcomes.length, width, height = 24 }: OutcomeStripProps) {
  const palette = usePalette();
  const shown = outcomes.slice(0, until);
  const step = Math.min(width / Math.max(outcomes.length, 1), widest);
  const wide = Math.max(step - Math.min(3, step / 3), 1);
  const low = height * 0.4;
  const counts = (['seen', 'not_seen', 'not_observed'] as const)
    .map((kind) => `${shown.filter((outcome) => outcome === kind).length} ${outcomeWords[kind]}`)
    .join(', ');
  return (
    <View role="img" aria-label={`Intervals: ${counts}`}>
      <Svg width={Math.max(step * outcomes.length, 1)} height={height}>
        {shown.map((outcome, index) => {
          const x = index * step;
          if (outcome === 'seen')
            return <Rect key={index} x={x} y={1} width={wide} height={height - 1} fill={palette.slate} />;
          if (outcome === 'not_seen')
            return (
              <Rect
                key={index}
                x={x + 0.75}
                y={height - low}
                width={Math.max(wide - 1.5, 0.5)}
                height={low - 0.75}
                stroke={palette.inkQuiet}
                strokeWidth={1.5}
                fill="none"
              />
            );
          return (
            <Circle
              key={index}
              cx={x + wide / 2}
              cy={height - 2.5}
              r={Math.min(2, wide / 2)}
              fill={palette.inkQuiet}
            />
          );
        })}
      </Svg>
    </View>
  );
}
