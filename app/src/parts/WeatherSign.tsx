import { memo } from 'react';
import Svg, { Circle, Path } from 'react-native-svg';
import { usePalette } from '../theme/theme';
import type { Palette } from '../theme/tokens';

const cloud = 'M7 15.5a4 4 0 0 1 .6-8 5.4 5.4 0 0 1 10.2 1.2 3.5 3.5 0 0 1-.6 6.8z';
const highCloud = 'M7 12.5a4 4 0 0 1 .6-8 5.4 5.4 0 0 1 10.2 1.2 3.5 3.5 0 0 1-.6 6.8z';
const lowCloud = 'M6.5 20a3.5 3.5 0 0 1 .5-7 4.8 4.8 0 0 1 9 1 3.1 3.1 0 0 1-.5 6z';

/** Lines of each sign on a field of 24, from storm to clear. */
const lines: Record<number, string[]> = {
  1: [highCloud, 'M12.6 12.5 9.8 16.6h3.6l-2.6 4.6', 'M6.6 15.6 5 18.6', 'M17.8 15.6l-1.6 3'],
  2: [highCloud, 'M8.4 15.6 7 19.4', 'M12.6 15.6 11.2 19.4', 'M16.8 15.6 15.4 19.4'],
  3: [cloud, 'M4.4 19h15.2'],
  4: [lowCloud, 'M12.2 7.4a4 4 0 0 1 6.6 4.4', 'M14.8 1.8v2.4', 'M20.6 3.8 19 5.6', 'M22.8 9h-2.4'],
  5: [
    'M12 2v2.6',
    'M12 19.4V22',
    'M2 12h2.6',
    'M19.4 12H22',
    'M4.9 4.9l1.9 1.9',
    'M17.2 17.2l1.9 1.9',
    'M4.9 19.1l1.9-1.9',
    'M17.2 6.8l1.9-1.9',
  ],
};

interface WeatherSignProps {
  /** Storm 1, rain, cloud, breaks, clear 5. */
  weather: number;
  size?: number;
  tone?: keyof Palette;
}

/** How somebody says they feel, as weather. It says nothing to those who listen: the word stands beside it. */
export const WeatherSign = memo(function WeatherSign({ weather, size = 24, tone = 'ink' }: WeatherSignProps) {
  const palette = usePalette();
  const stroke = {
    stroke: palette[tone],
    strokeWidth: 1.8,
    strokeLinecap: 'round',
    strokeLinejoin: 'round',
  } as const;
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" fill="none" aria-hidden>
      {weather === 5 ? <Circle cx={12} cy={12} r={4.4} {...stroke} /> : null}
      {(lines[weather] ?? []).map((path) => (
        <Path key={path} d={path} {...stroke} />
      ))}
    </Svg>
  );
});
