import { useState, type ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import type { Seat } from '@slate-path/core/room/layouts';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { radius, space } from '../../theme/tokens';
import { floorOf, type Box, type FloorSize } from './floor';

interface RoomFloorProps extends Pick<FloorSize, 'narrowest' | 'widest' | 'height'> {
  seats: readonly Seat[];
  children: (seat: Seat, box: Box) => ReactNode;
}

/** The room as the teacher sees it from the front: the back row at the top. What does not fit scrolls sideways. */
export function RoomFloor({ seats, narrowest, widest, height, children }: RoomFloorProps) {
  const palette = usePalette();
  const [width, setWidth] = useState(useWindowDimensions().width - 2 * space(4));
  if (seats.length === 0) return null;
  const floor = floorOf(seats, { width, narrowest, widest, height });
  return (
    <View
      role="group"
      aria-label="The room"
      onLayout={({ nativeEvent }) => {
        setWidth(nativeEvent.layout.width);
      }}
    >
      <ScrollView horizontal contentContainerStyle={{ flexGrow: 1, justifyContent: 'center' }}>
        <View style={{ width: floor.width, gap: space(2) }}>
          <View style={{ width: floor.width, height: floor.height }}>
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
