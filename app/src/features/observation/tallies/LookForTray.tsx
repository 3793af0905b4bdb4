import { memo } from 'react';
import { View } from 'react-native';
import type { LookFor } from '@slate-path/core/records/schema';
import { measureWords, toneWords } from '@slate-path/core/observation/tallies/lookFors';
import { TallyStrokes } from '../../../parts/TallyStrokes';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius, space, target } from '../../../theme/tokens';
import { LookForSign, toneColour } from './LookForSign';

interface LookForTrayProps {
  lookFors: readonly LookFor[];
  heldId: string | null;
  /** One below the other, with the digits that give them. */
  column: boolean;
  onTap: (lookForId: string) => void;
}

interface LookForKeyProps {
  lookFor: LookFor;
  digit: number | null;
  held: boolean;
  onTap: (lookForId: string) => void;
}

const LookForKey = memo(function LookForKey({ lookFor, digit, held, onTap }: LookForKeyProps) {
  const palette = usePalette();
  const { id, name, sign, tone, measure } = lookFor;
  const ink = held ? 'onSlate' : tone === 'unwanted' ? 'clay' : 'ink';
  return (
    <TapArea
      testID="look-for"
      name={`${name}, ${toneWords[tone]}, ${measureWords[measure]}`}
      held={held}
      onTap={() => {
        onTap(id);
      }}
      style={{
        flex: 1,
        minHeight: digit === null ? target : 52,
        flexDirection: 'row',
        alignItems: 'center',
        gap: space(digit === null ? 1 : 3),
        paddingHorizontal: digit === null ? space(1) : space(3),
        paddingVertical: digit === null ? 0 : space(1),
        borderWidth: 1,
        borderRadius: radius.control,
        borderColor: held ? palette.slate : palette.line,
        backgroundColor: held ? palette.slate : palette.surface,
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <LookForSign sign={sign} tone={held ? 'onSlate' : toneColour[tone]} />
        {tone === 'unwanted' && !held ? <TallyStrokes count={1} tone="unwanted" /> : null}
      </View>
      <Words bold={held} tone={ink} lines={2} style={digit === null ? narrowWords : wideWords}>
        {name}
      </Words>
      {digit === null ? null : (
        <View style={{ flex: 1, alignItems: 'flex-end' }}>
          <Words size="small" figures tone={held ? 'onSlate' : 'inkQuiet'}>
            {String(digit)}
          </Words>
        </View>
      )}
    </TapArea>
  );
});

const narrowWords = { flexShrink: 1, fontSize: 14, lineHeight: 16 } as const;
const wideWords = { flexShrink: 1, fontSize: 15, lineHeight: 18 } as const;

/** What is looked for, under the thumb: three beside each other, or in a column on a wide screen. */
export const LookForTray = memo(function LookForTray({ lookFors, heldId, column, onTap }: LookForTrayProps) {
  const across = column ? 1 : 3;
  const rows = Array.from({ length: Math.ceil(lookFors.length / across) }, (_, row) =>
    lookFors.slice(row * across, (row + 1) * across),
  );
  return (
    <View role="group" aria-label="Look-fors" style={{ gap: space(column ? 2 : 1) }}>
      {rows.map((row, index) => (
        <View key={row[0]?.id ?? index} style={{ flexDirection: 'row', gap: space(column ? 2 : 1) }}>
          {row.map((lookFor, at) => (
            <LookForKey
              key={lookFor.id}
              lookFor={lookFor}
              digit={column && index * across + at < 9 ? index * across + at + 1 : null}
              held={lookFor.id === heldId}
              onTap={onTap}
            />
          ))}
          {Array.from({ length: across - row.length }, (_, empty) => (
            <View key={empty} style={{ flex: 1 }} />
          ))}
        </View>
      ))}
    </View>
  );
});
