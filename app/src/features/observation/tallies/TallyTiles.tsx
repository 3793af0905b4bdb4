import { useMemo, useState, type ReactNode } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import type { Lesson } from '@slate-path/core/records/schema';
import { whoSitsAt, type Plan } from '@slate-path/core/people/room/placing';
import { seatNames } from '@slate-path/core/people/room/seatNames';
import { inLines } from '../../../parts/arrange';
import { Board } from '../../../parts/Board';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { isAway } from '../../attendance/lesson/isAway';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { useRecords } from '../../../sync/useRecords';
import { RoomFloor } from '../../people/room/RoomFloor';
import { useSeats } from '../../people/room/useSeats';
import { StudentTile } from './StudentTile';
import { tileOrder } from './keptOrder';

interface TallyTilesProps {
  lesson: Lesson;
  rows: readonly LessonRow[];
  names: ReadonlyMap<string, string>;
  heldStudent: string | null | undefined;
  onTap: (lesson: Lesson, studentId: string | null) => void;
}

/** A tile: a student, or (null) the whole class. */
interface Tile {
  id: string | null;
  name: string;
  own: Lesson;
  away: boolean;
}

const tileGap = space(2);
const edge = space(3);
/** A seat of the room holds a name and five strokes. */
const seatSize = { narrowest: 72, widest: 160, height: 66 };

/** The students of a lesson to tap, the whole class first: on the board, or as they sit. */
export function TallyTiles({ lesson, rows, names, heldStudent, onTap }: TallyTilesProps) {
  const palette = usePalette();
  const wide = useWide();
  const plan = useSeats(lesson.sectionId);
  const order = tileOrder.use();
  const isFirst = useRecords(({ current }) => Object.keys(current.tally).length === 0);
  const onSeats = useMemo(() => seatNames(rows.map(({ student }) => student)), [rows]);
  const [room, setRoom] = useState(useWindowDimensions().width - 2 * edge);
  const tiles = rows.map((row): Tile => ({
    id: row.student.id,
    name: names.get(row.student.id) ?? '',
    own: row.lesson,
    away: isAway(row),
  }));
  const whole: Tile = { id: null, name: 'Whole class', own: lesson, away: false };
  const tile = (
    { id, name, own, away }: Tile,
    { width, height = null }: { width: number; height?: number | null },
    onSeat = false,
  ) => (
    <StudentTile
      key={id ?? 'class'}
      lesson={own}
      studentId={id}
      name={name}
      away={away}
      held={heldStudent !== undefined && heldStudent === id}
      width={width}
      height={height}
      onSeat={onSeat}
      onTap={onTap}
    />
  );
  const seat = (one: Tile, width: number) =>
    tile({ ...one, name: onSeats.get(one.id ?? '') ?? one.name }, { width }, !wide);
  const lines = (some: readonly Tile[]) => (
    <Lines tile={(one, width) => tile(one, { width })} room={room} tiles={some} across={wide ? 5 : 3} />
  );
  const seats = order === 'seat' ? plan : null;
  const first = isFirst ? (
    <View style={{ padding: edge }}>
      <Words tone="inkQuiet">
        A tally counts what you see in a lesson, for each student or the whole class. What you watch for is
        called a look-for: tap a student, then the look-for.
      </Words>
    </View>
  ) : null;
  if (!seats)
    return (
      <Board name="Students to tally" tiles={[whole, ...tiles]} tile={(one, size) => tile(one, size)}>
        {first}
      </Board>
    );
  return (
    <ScrollView
      style={{ flex: 1, backgroundColor: palette.ground }}
      contentContainerStyle={{ padding: edge, gap: tileGap }}
    >
      <View
        role="group"
        aria-label="Students to tally"
        style={{ gap: tileGap }}
        onLayout={({ nativeEvent }) => {
          setRoom(nativeEvent.layout.width);
        }}
      >
        <AsTheySit plan={seats} {...{ whole, tiles, lines }} tile={seat} />
      </View>
      {first}
    </ScrollView>
  );
}

type DrawTile = (tile: Tile, width: number) => ReactNode;

interface LinesProps {
  tiles: readonly Tile[];
  tile: DrawTile;
  across: number;
  /** In pixels. */
  room: number;
}

function Lines({ tiles, tile, across, room }: LinesProps) {
  return inLines(tiles, across).map((line, index) => (
    <View key={index} style={{ flexDirection: 'row', gap: tileGap }}>
      {line.map((one) => tile(one, Math.floor((room - (across - 1) * tileGap) / across)))}
      {Array.from({ length: across - line.length }, (_, empty) => (
        <View key={empty} style={{ flex: 1 }} />
      ))}
    </View>
  ));
}

interface AsTheySitProps {
  plan: Plan;
  whole: Tile;
  tiles: readonly Tile[];
  tile: DrawTile;
  lines: (tiles: readonly Tile[]) => ReactNode;
}

/** The room, and under it whoever has no seat in it: of a class that is taught with another, those of the other. */
function AsTheySit({ plan, whole, tiles, tile, lines }: AsTheySitProps) {
  const bySeat = (studentId: string | undefined) => tiles.find(({ id }) => id === studentId);
  const seated = new Set(plan.places.map(({ studentId }) => studentId));
  return (
    <>
      <RoomFloor tables seats={plan.seats} {...seatSize}>
        {(seat, box) => {
          const one = bySeat(whoSitsAt(plan.places, seat));
          return one ? (
            <View key={`${seat.x} ${seat.y}`} style={{ position: 'absolute', ...box }}>
              {tile(one, box.width)}
            </View>
          ) : null;
        }}
      </RoomFloor>
      {lines([whole, ...tiles.filter(({ id }) => !seated.has(id ?? ''))])}
    </>
  );
}
