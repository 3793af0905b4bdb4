import { useState, type ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import type { Seat } from '@slate-path/core/people/room/layouts';
import { tablesOf } from '@slate-path/core/people/room/tables';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius, space } from '../../../theme/tokens';
import { floorOf, type Box, type FloorSize } from './floor';

interface RoomFloorProps extends Pick<FloorSize, 'narrowest' | 'widest' | 'height'> {
  seats: readonly Seat[];
  /** Whether seats that stand together are drawn as a table. */
  tables?: boolean;
  children: (seat: Seat, box: Box) => ReactNode;
}

/** The room as the teacher sees it from the front: the back row at the top. What does not fit scrolls sideways. */
export function RoomFloor({ seats, narrowest, widest, height, tables, children }: RoomFloorProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(useWindowDimensions().width - 2 * space(4));
  if (seats.length === 0) return null;
  const floor = floorOf(seats, { width: width - 2 * rim, narrowest, widest, height });
  return (
    <View
      role="group"
      aria-label="The room"
      onLayout={({ nativeEvent }) => {
        setWidth(nativeEvent.layout.width);
      }}
    >
      <ScrollView horizontal contentContainerStyle={{ flexGrow: 1, justifyContent: 'center' }}>
        <View style={{ width: floor.width + 2 * rim, gap: space(2) }}>
          <View style={{ width: floor.width, height: floor.height, margin: rim }}>
            {tables
              ? tablesOf(seats).map(({ from, to }) => (
                  <Table key={`${from.x} ${from.y}`} front={floor.boxOf(from)} back={floor.boxOf(to)} />
                ))
              : null}
            {seats.map((seat) => children(seat, floor.boxOf(seat)))}
          </View>
          <View
            style={{
              alignItems: 'center',
              borderTopWidth: 3,
              borderColor: palette.inkQuiet,
              borderRadius: radius.control,
              paddingTop: space(1),
            }}
          >
            <Words size="small" tone="inkQuiet">
              Front of the room
            </Words>
          </View>
        </View>
      </ScrollView>
    </View>
  );
}

/** So much of a table is seen round its seats. */
const rim = 3;

/** A table behind its seats. */
function Table({ front, back }: { front: Box; back: Box }) {
  const palette = usePalette();
  return (
    <View
      style={{
        position: 'absolute',
        left: front.left - rim,
        top: back.top - rim,
        width: back.left + back.width - front.left + 2 * rim,
        height: front.top + front.height - back.top + 2 * rim,
        borderRadius: radius.card + rim,
        backgroundColor: palette.line,
      }}
    />
  );
}
