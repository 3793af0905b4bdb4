import Svg, { G, Line, Path, Rect } from 'react-native-svg';
import { highestTone, lowestTone, toneLevels } from '@slate-path/core/observation/tone/levels';
import { usePalette } from '../../../theme/theme';

interface ToneSignProps {
  /** -2 to 2; null where none was set yet. */
  level: number | null;
  size: number;
}

/** Where the water stands at a level, in the sign's own units from its top. */
const waterAt = (level: number) => 172 - ((level - lowestTone) / (highestTone - lowestTone)) * 96;
/** How much of the sail is set, by level from far down on. */
const sails = [0, 0.45, 0.7, 0.9, 1.1];
/** How far the boat leans, in degrees. */
const leans = [27, 9, 0, -3, -6];

/**
 * The room's tone as a boat: far down it lies aground with its sail furled; the higher the water, the more sail is set.
 * The staff beside it has a mark for each level, so that it can be read by height alone.
 */
export function ToneSign({ level, size }: ToneSignProps) {
  const palette = usePalette();
  const water = waterAt(level ?? lowestTone);
  const at = level === null ? -1 : level - lowestTone;
  const sail = sails[at] ?? 0;
  const waves = Array.from({ length: 8 }, () => 'q5.5 -6 11 0 t11 0').join(' ');
  return (
    <Svg width={size} height={size} viewBox="0 0 200 200" aria-hidden>
      {level !== null && level > lowestTone ? (
        <>
          <Rect x={24} y={water + 2} width={176} height={198 - water} fill={palette.slateWash} />
          <Path d={`M24 ${water + 2} ${waves}`} stroke={palette.slate} strokeWidth={3} fill="none" />
        </>
      ) : null}
      <Line x1={24} x2={200} y1={198} y2={198} stroke={palette.inkQuiet} strokeWidth={4} />
      <Line x1={14} x2={14} y1={waterAt(highestTone)} y2={198} stroke={palette.inkQuiet} strokeWidth={4} />
      {toneLevels.map((mark) => (
        <Line
          key={mark}
          x1={14}
          x2={mark === level ? 44 : 26}
          y1={waterAt(mark)}
          y2={waterAt(mark)}
          stroke={mark === level ? palette.ink : palette.inkQuiet}
          strokeWidth={mark === level ? 7 : 3}
        />
      ))}
      {level === null ? null : (
        <G transform={`translate(118 ${water + (level === lowestTone ? 2 : 0)}) rotate(${leans[at] ?? 0})`}>
          <Path d="M-50 -8 H50 L36 16 H-36 Z" fill={palette.ink} />
          <Line x1={-4} x2={-4} y1={-8} y2={-74} stroke={palette.ink} strokeWidth={5} />
          {sail > 0 ? (
            <Path d={`M2 -72 V-16 H${2 + 40 * sail} Q${6 + 34 * sail} -46 2 -72 Z`} fill={palette.slate} />
          ) : (
            <Line
              x1={-2}
              x2={36}
              y1={-18}
              y2={-18}
              stroke={palette.slate}
              strokeWidth={8}
              strokeLinecap="round"
            />
          )}
        </G>
      )}
    </Svg>
  );
}
