import { G, Line, Text as SvgText } from 'react-native-svg';
import { toneLevels, toneName } from '@slate-path/core/observation/tone/levels';
import { usePalette } from '../../../theme/theme';
import { fonts } from '../../../theme/tokens';

interface ToneLevelsProps {
  /** Where the field of the chart begins and ends, in pixels. */
  from: number;
  to: number;
  y: (level: number) => number;
}

/** The axis of a chart of the tone: the five levels by name, each with a line across. */
export function ToneLevels({ from, to, y }: ToneLevelsProps) {
  const palette = usePalette();
  return (
    <>
      {toneLevels.map((level) => (
        <G key={level}>
          <SvgText
            fontFamily={fonts.text}
            fontSize={14}
            fill={palette.inkQuiet}
            x={from - 8}
            y={y(level) + 5}
            textAnchor="end"
          >
            {toneName(level)}
          </SvgText>
          <Line x1={from} x2={to} y1={y(level)} y2={y(level)} stroke={palette.line} strokeWidth={1} />
        </G>
      ))}
    </>
  );
}
