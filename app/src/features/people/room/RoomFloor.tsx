import { useState, type ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import type { Seat } from '@slate-path/core/people/room/seat';
import { cellsOf, type Furniture, type TurnedSeat } from '@slate-path/core/people/room/furniture';
import { tablesOf } from '@slate-path/core/people/room/tables';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius, space } from '../../../theme/tokens';
import { around, floorOf, type Box, type FloorSize } from './floor';
import { PieceShape } from './PieceShape';

interface RoomFloorProps<S extends Seat> extends Omit<FloorSize, 'width'> {
  seats: readonly S[];
  furniture?: readonly Furniture[];
  /** Whether seats that stand together are drawn as a table. */
  tables?: boolean;
  children: (seat: S, box: Box) => ReactNode;
}

/** The room as it is seen from the front or the back, what is nearest lowest. What does not fit scrolls sideways. */
export function RoomFloor<S extends TurnedSeat>(props: RoomFloorProps<S>) {
  const { seats, furniture = [], from = 'front', tables = false, children, ...size } = props;
  const palette = usePalette();
  const [width, setWidth] = useState(useWindowDimensions().width - 2 * space(4));
  if (seats.length + furniture.length === 0) return null;
  const floor = floorOf(seats, { ...size, from, width: width - 2 * rim }, furniture.map(cellsOf));
  const front = <Front key="front" />;
  const slant = tables ? seats.filter(({ turn = 0 }) => turn % 2 === 1) : [];
  const straight = tables ? seats.filter(({ turn = 0 }) => turn % 2 === 0) : [];
  return (
    <View
      role="group"
      aria-label={`The room, seen from the ${from}`}
      onLayout={({ nativeEvent }) => {
        setWidth(nativeEvent.layout.width);
      }}
    >
      <ScrollView horizontal contentContainerStyle={{ flexGrow: 1, justifyContent: 'center' }}>
        <View style={{ width: floor.width + 2 * rim, gap: space(2) }}>
          {from === 'back' ? front : null}
          <View style={{ width: floor.width, height: floor.height, margin: rim }}>
            {tablesOf(straight).map(({ from: near, to }) => (
              <Table key={`${near.x} ${near.y}`} box={around([floor.boxOf(near), floor.boxOf(to)])} />
            ))}
            {slant.map((seat) => (
              <Slanted key={`${seat.x} ${seat.y}`} box={floor.boxOf(seat)} color={palette.line} />
            ))}
            {furniture.map((piece) => (
              <PieceShape key={piece.id} piece={piece} box={around(cellsOf(piece).map(floor.boxOf))} />
            ))}
            {seats.map((seat) => children(seat, floor.boxOf(seat)))}
          </View>
          {from === 'front' ? front : null}
        </View>
      </ScrollView>
    </View>
  );
}

/** So much of a table is seen round its seats. */
const rim = 3;

function Front() {
  const palette = usePalette();
  return (
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
  );
}

/** A table behind its seats. */
function Table({ box }: { box: Box }) {
  const palette = usePalette();
  return (
    <View
      style={{
        position: 'absolute',
        left: box.left - rim,
        top: box.top - rim,
        width: box.width + 2 * rim,
        height: box.height + 2 * rim,
        borderRadius: radius.card + rim,
        backgroundColor: palette.line,
      }}
    />
  );
}

/** A table that stands aslant, behind its seat: its corners look out between the seats. */
function Slanted({ box, color }: { box: Box; color: string }) {
  const side = Math.min(box.width, box.height);
  return (
    <View
      style={{
        position: 'absolute',
        left: box.left + (box.width - side) / 2,
        top: box.top + (box.height - side) / 2,
        width: side,
        height: side,
        borderRadius: radius.control,
        backgroundColor: color,
        transform: [{ rotate: '45deg' }],
      }}
    />
  );
}
