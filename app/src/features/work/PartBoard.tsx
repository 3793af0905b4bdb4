import { View } from 'react-native';
import Svg from 'react-native-svg';
import { displayName } from '@slate-path/core/people/names';
import { shownNames } from '@slate-path/core/attendance/checkIn/shownNames';
import { statusWords } from '@slate-path/core/work/pieceWords';
import { inColumns } from '../../parts/arrange';
import { Card } from '../../parts/Card';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { usePalette, useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { Diamonds } from '../../parts/Diamonds';
import type { Part } from './usePiece';

const tileHeight = 50;
const sign = 14;

/** What stands on a tile beside the sign: quiet where all is as it should be. */
function wordsOf({ status, score, written, waits }: Part): string {
  if (score !== null || written !== null) return String(score ?? written);
  if (waits) return status === 'late' ? 'late' : '';
  if (status === 'on_time') return 'back';
  return status === 'unknown' || status === 'not_due' ? '' : statusWords[status];
}

/** Everybody of the class with a piece of work, always in the same places; a tap says what the page says. */
export function PartBoard({ parts, onTap }: { parts: readonly Part[]; onTap: (part: Part) => void }) {
  const palette = usePalette();
  const wide = useWide();
  const names = new Map(
    shownNames(
      parts.map(({ student }) => student),
      true,
    ).map(({ id, name }) => [id, name]),
  );
  const columns = inColumns(parts, wide ? 4 : parts.length > 14 ? 3 : 2);
  return (
    <Card style={{ padding: 0, flexDirection: 'row', overflow: 'hidden' }}>
      {columns.map((column, index) => (
        <View key={index} style={{ flex: 1, borderLeftWidth: index > 0 ? 1 : 0, borderColor: palette.line }}>
          {column.map((part) => {
            const words = wordsOf(part);
            const name = wide ? displayName(part.student) : (names.get(part.student.id) ?? '');
            return (
              <TapArea
                key={part.student.id}
                testID="part-tile"
                name={`${displayName(part.student)}: ${statusWords[part.status]}${part.waits ? ', waits for you' : ''}${
                  part.score === null && part.written === null ? '' : `, ${part.score ?? part.written}`
                }`}
                onTap={() => {
                  onTap(part);
                }}
                style={{
                  height: tileHeight,
                  justifyContent: 'center',
                  gap: 2,
                  paddingHorizontal: space(wide ? 3 : 2),
                  borderBottomWidth: 1,
                  borderColor: palette.line,
                }}
              >
                <Words lines={1} bold={part.status === 'missing'}>
                  {name}
                </Words>
                <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2), height: sign }}>
                  <Svg width={sign} height={sign} aria-hidden>
                    <Diamonds marks={[{ x: sign / 2, y: sign / 2, status: part.status }]} size={6} />
                  </Svg>
                  <Words size="small" tone="inkQuiet" figures lines={1} style={{ lineHeight: sign + 2 }}>
                    {words}
                  </Words>
                </View>
              </TapArea>
            );
          })}
        </View>
      ))}
    </Card>
  );
}
