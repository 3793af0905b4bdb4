import Svg, { Circle, Path } from 'react-native-svg';
import type { SideMark as Mark } from '@slate-path/core/observation/sides/limits';

const paths: Record<Exclude<Mark, 'ring'>, string> = {
  star: 'M12 1.5l3.1 6.9 7.4.8-5.5 5 1.5 7.3L12 17.8l-6.5 3.7L7 14.2l-5.5-5 7.4-.8z',
  wave: 'M1 6c3.7-4.5 7.3-4.5 11 0s7.3 4.5 11 0v4c-3.7 4.5-7.3 4.5-11 0s-7.3-4.5-11 0zm0 9c3.7-4.5 7.3-4.5 11 0s7.3 4.5 11 0v4c-3.7 4.5-7.3 4.5-11 0s-7.3-4.5-11 0z',
  cross: 'M9 2h6v7h7v6h-7v7H9v-7H2V9h7z',
  arrow: 'M12 1.5L22 12h-6v10.5H8V12H2z',
  drop: 'M12 1c5 6.5 7.5 10 7.5 13.5a7.5 7.5 0 0 1-15 0C4.5 11 7 7.5 12 1z',
  moon: 'M15.5 2A10.5 10.5 0 1 0 22 15.5 8.6 8.6 0 0 1 15.5 2z',
  flag: 'M4 1h2.6v21.5H4zM8 2.5l14 5-14 5.5z',
};

/** The mark of a side: told apart by its shape alone. */
export function SideMark({ mark, size, color }: { mark: Mark; size: number; color: string }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      {mark === 'ring' ? (
        <Circle cx={12} cy={12} r={8.5} stroke={color} strokeWidth={5} fill="none" />
      ) : (
        <Path d={paths[mark]} fill={color} />
      )}
    </Svg>
  );
}
