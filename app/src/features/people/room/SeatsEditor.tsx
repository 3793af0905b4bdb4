import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { View } from 'react-native';
import { isSame, lastCell, seatWords, type Seat } from '@slate-path/core/people/room/layouts';
import { whoSitsAt, type Place } from '@slate-path/core/people/room/placing';
import type { RoomPlan } from '@slate-path/core/records/schema';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius } from '../../../theme/tokens';
import { RoomFloor } from './RoomFloor';

interface SeatsEditorProps {
  plan: RoomPlan;
  places: readonly Place[];
  names: ReadonlyMap<string, string>;
  onTap: (seat: Seat) => void;
}

/** All places of the room, and one more on every side. */
function cellsAround(seats: readonly Seat[]): Seat[] {
  const span = (values: readonly number[]) => {
    const [from, to] = [Math.max(0, Math.min(...values) - 1), Math.min(lastCell, Math.max(...values) + 1)];
    return Array.from({ length: to - from + 1 }, (_, at) => from + at);
  };
  const columns = span(seats.map(({ x }) => x));
  return span(seats.map(({ y }) => y)).flatMap((y) => columns.map((x) => ({ x, y })));
}

/** Where seats stand: a tap puts one, a tap on one takes it away. */
export function SeatsEditor({ plan, places, names, onTap }: SeatsEditorProps) {
  const palette = usePalette();
  return (
    <>
      <Words tone="inkQuiet">Tap where a seat is missing, or one that is too many.</Words>
      <RoomFloor seats={cellsAround(plan.seats)} narrowest={44} widest={64} height={44}>
        {(cell, box) => {
          const isThere = plan.seats.some((seat) => isSame(seat, cell));
          const name = names.get(whoSitsAt(places, cell) ?? '');
          const Icon = isThere ? Minus : Plus;
          const isLast = isThere && plan.seats.length === 1;
          return (
            <View key={`${cell.x} ${cell.y}`} style={{ position: 'absolute', ...box }}>
              <TapArea
                testID={isThere ? 'seat-there' : 'seat-missing'}
                name={
                  isThere
                    ? `Take away ${seatWords(plan.seats, cell)}${name ? `, where ${name} sits` : ''}`
                    : `Put a seat: column ${cell.x + 1}, row ${cell.y + 1}`
                }
                onTap={() => {
                  if (!isLast) onTap(cell);
                }}
                style={{
                  flex: 1,
                  alignItems: 'center',
                  justifyContent: 'center',
                  borderRadius: radius.control,
                  borderWidth: 1,
                  borderStyle: isThere ? 'solid' : 'dashed',
                  borderColor: isThere ? palette.inkQuiet : palette.line,
                  backgroundColor: isThere ? palette.surface : 'transparent',
                }}
              >
                {name ? (
                  <Words size="small">{initials(name)}</Words>
                ) : (
                  <Icon size={16} color={palette.inkQuiet} strokeWidth={2} />
                )}
              </TapArea>
            </View>
          );
        }}
      </RoomFloor>
    </>
  );
}

/** Three letters of one name, or the first of each. */
function initials(name: string): string {
  const words = name.split(/[\s-]+/);
  return words.length === 1 ? name.slice(0, 3) : words.map((word) => word[0] ?? '').join('');
}
