import { View } from 'react-native';
import type { SideScore } from '@slate-path/core/observation/sides/scores';
import { signed, sumWords } from '@slate-path/core/observation/sides/amount';
import { many } from '@slate-path/core/words/many';
import { SideMark } from '../../../parts/SideMark';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import type { Side } from './playing';

interface SideTileProps {
  side: Side;
  score: SideScore;
  leads: boolean;
  /** What a tap gives. */
  amount: number;
  width: number;
  height: number;
  onTap: () => void;
}

/** A tile is half a phone wide: longer names stand in two lines, and long words in smaller letters. */
function lettersFor(name: string): number {
  if (name.length <= 12) return 18;
  return Math.max(...name.split(' ').map(({ length }) => length)) <= 16 ? 14 : 12;
}

/** A side on the phone: its mark, its name, its points; a tap gives what is in hand. */
export function SideTile({ side, score, leads, amount, width, height, onTap }: SideTileProps) {
  const palette = usePalette();
  const letters = lettersFor(side.name);
  const points = many(score.points, 'point');
  return (
    <TapArea
      testID="side-tile"
      name={`${side.name}: ${points}${leads ? ', leads' : ''}. Tap: ${signed(amount)}`}
      onTap={onTap}
      style={{
        width,
        height,
        justifyContent: 'center',
        paddingHorizontal: space(3),
        borderRightWidth: 1,
        borderBottomWidth: 1,
        borderColor: palette.line,
        backgroundColor: leads ? palette.slateWash : palette.surface,
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
        <SideMark mark={side.mark} size={24} color={palette.ink} />
        <Words bold lines={2} style={{ flex: 1, fontSize: letters, lineHeight: letters * 1.25 }}>
          {side.name}
        </Words>
      </View>
      <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: space(2) }}>
        <Words serif figures style={{ fontSize: 40, lineHeight: 50 }}>
          {sumWords(score.points)}
        </Words>
        {leads ? <Words bold>leads</Words> : null}
      </View>
      {height > 120 ? (
        <Words size="small" tone="inkQuiet" lines={1}>
          {side.studentIds.length === 0 ? 'nobody is in it' : many(side.studentIds.length, 'student')}
        </Words>
      ) : null}
    </TapArea>
  );
}
