import { memo } from 'react';
import { View } from 'react-native';
import type { TickState } from '@slate-path/core/ticks/tickState';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { TickSign, tickStateWords } from './TickSign';

interface TickTileProps {
  studentId: string;
  /** As it stands on the board, and whole for those who listen. */
  name: string;
  fullName: string;
  state: TickState;
  /** What stands in the cell, beside the sign; empty where the sign says it. */
  words: string;
  /** In the lesson, where there is one. */
  away: boolean;
  /** What a tap says. */
  hand: string;
  height: number;
  onTap: (studentId: string) => void;
}

/** A student on the board of a column: the name, how far they are, and what stands there. */
export const TickTile = memo(function TickTile(props: TickTileProps) {
  const { studentId, name, fullName, state, words, away, hand, height, onTap } = props;
  const palette = usePalette();
  const owes = state === 'open' || state === 'part';
  return (
    <TapArea
      id={`tick-${studentId}`}
      testID="tick-tile"
      name={`${fullName}${away ? ', away' : ''}: ${words || tickStateWords[state]}. Tap: ${hand}`}
      onTap={() => {
        onTap(studentId);
      }}
      style={{
        height,
        justifyContent: 'center',
        overflow: 'hidden',
        paddingLeft: space(3),
        paddingRight: space(2),
        borderBottomWidth: 1,
        borderColor: palette.line,
        backgroundColor: owes ? undefined : palette.slateWash,
      }}
    >
      <Words tone={away ? 'inkQuiet' : 'ink'} lines={1} style={{ lineHeight: 20 }}>
        {name}
      </Words>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(1), height: 18 }}>
        <TickSign state={state} />
        <Words size="small" tone="inkQuiet" figures lines={1} style={{ lineHeight: 18, flex: 1 }}>
          {words}
        </Words>
      </View>
    </TapArea>
  );
});
