import { useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import type { Draw } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../../parts/Action';
import { BigScreen } from '../../../parts/lazyBigScreen';
import { dayMonth } from '../../../parts/dates';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import type { DrawPool } from './pool';

interface DrawBoardProps {
  pool: DrawPool;
  /** One that was made before; null: it is made here. */
  made: Draw | null;
  /** Who can be drawn. */
  among: readonly string[];
  onDraw: () => Draw | undefined;
  onClose: () => void;
}

/** Who could be drawn: in a new round everybody. */
function inDraw({ entries, winners }: Draw): string[] {
  const free = entries.filter(({ rests }) => !rests).map(({ studentId }) => studentId);
  return winners.every((id) => free.includes(id)) ? free : entries.map(({ studentId }) => studentId);
}

/** So large that so many lines of so many letters fill a part of a screen, in pixels. */
function sizeFor(letters: number, lines: number, width: number, height: number, most: number): number {
  // A letter is about 0.55 as wide as it is high; a line 1.25 as high.
  const size = Math.min(width / (0.55 * Math.max(letters, 1)), height / (1.25 * Math.max(lines, 1)), most);
  return Math.max(18, Math.floor(size));
}

/** The names in a draw, and who was drawn, to be read across a room. How many nods anybody has does not stand there. */
export function DrawBoard({ pool, made, among, onDraw, onClose }: DrawBoardProps) {
  const [shown, setShown] = useState(made);
  const { width, height } = useWindowDimensions();
  const winners = (shown?.winners ?? []).map(pool.nameOf);
  // Who rested is on the list, but was not in this draw.
  const ids = shown ? inDraw(shown) : among;
  const others = ids
    .filter((id) => !shown?.winners.includes(id))
    .map(pool.nameOf)
    .sort((a, b) => a.localeCompare(b));
  const letters = others.reduce((sum, name) => sum + name.length + 3, 0);
  // As large as lets all of them stand in the part of the screen that is theirs.
  const field = width * height * (shown ? 0.22 : 0.5);
  const small = Math.max(14, Math.min(40, Math.floor(Math.sqrt(field / (letters * 0.55 * 1.5 || 1)))));
  const large = sizeFor(
    Math.max(0, ...winners.map((name) => name.length)),
    winners.length,
    width * 0.9,
    height * 0.4,
    160,
  );
  const when = shown ? `, ${dayMonth(shown.at.slice(0, 10))}` : '';
  return (
    <BigScreen title={`${pool.name}${when}`} onClose={onClose}>
      {shown ? (
        <View style={{ alignItems: 'center' }} testID="drawn" aria-live="polite">
          {winners.map((name) => (
            <Words
              key={name}
              serif
              heading={2}
              style={{ fontSize: large, lineHeight: large * 1.25, textAlign: 'center' }}
            >
              {name}
            </Words>
          ))}
        </View>
      ) : (
        <Action
          label={`Draw from ${many(among.length, 'name')}`}
          kind="main"
          onPress={() => {
            setShown(onDraw() ?? null);
          }}
        />
      )}
      <View
        style={{
          flexDirection: 'row',
          flexWrap: 'wrap',
          justifyContent: 'center',
          columnGap: small,
          maxWidth: 1600,
        }}
      >
        {others.map((name, index) => (
          <Words
            key={`${name} ${index}`}
            tone={shown ? 'inkQuiet' : 'ink'}
            style={{ fontSize: small, lineHeight: small * 1.5, marginBottom: space(1) }}
          >
            {name}
          </Words>
        ))}
      </View>
    </BigScreen>
  );
}
