import { lazy, memo, Suspense, useMemo, useState } from 'react';
import { ScrollView, View, type LayoutChangeEvent } from 'react-native';
import Svg, { Ellipse } from 'react-native-svg';
import { placeOnto, seatsOn } from '@slate-path/core/observation/circle/seating';
import type { Circle, CircleMember, LookFor } from '@slate-path/core/records/schema';
import { TallyStrokes } from '../../../parts/TallyStrokes';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius } from '../../../theme/tokens';
import { makeChange } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import type { Box } from '../../people/room/floor';
import { goalWords } from './goalWords';
import { talliesOf } from './circles';

const MovableSeats = lazy(() => import('../../arranging').then((found) => ({ default: found.MovableSeats })));

interface RingProps {
  circle: Circle;
  members: readonly CircleMember[];
  names: ReadonlyMap<string, string>;
  heldId: string | null;
  arranging: boolean;
  onTap: (studentId: string) => void;
}

/** Seats shrink as the circle grows, but stay as large as a thumb. */
function seatSize(seats: number, width: number): { width: number; height: number } {
  const wanted = seats <= 8 ? 104 : seats <= 14 ? 88 : 80;
  return { width: Math.min(wanted, width / 3.9), height: seats <= 8 ? 60 : 50 };
}

const nowhere: Box = { left: 0, top: 0, width: 0, height: 0 };

const gap = 4;

/** Places on a ring of this height; along it a seat is as long as it is wide or high just there. */
function placesOn(
  count: number,
  seat: { width: number; height: number },
  room: { width: number; height: number },
) {
  const ratio = room.height / seat.height / (room.width / seat.width);
  return seatsOn(count, ratio).map(({ x, y }): Box => ({
    left: x * room.width,
    top: y * room.height,
    ...seat,
  }));
}

function touches(a: Box, b: Box): boolean {
  return Math.abs(a.left - b.left) < a.width + gap && Math.abs(a.top - b.top) < a.height + gap;
}

/** Where everybody sits, and how large the ring is for it: where seats would touch it grows downwards and scrolls. */
function ringOf(count: number, field: { width: number; height: number }) {
  const seat = seatSize(count, field.width);
  const width = Math.max(field.width - seat.width, 1);
  const most = field.height + count * seat.height;
  for (let height = field.height; ; height += 12) {
    const room = { width, height: Math.max(height - seat.height, 1) };
    const places = placesOn(count, seat, room);
    const free = places.every(
      (place, index) => !touches(place, places[(index + 1) % count] ?? place) || count < 2,
    );
    if (free || height >= most) return { height, room, places };
  }
}

/** What was tallied of one student in this circle, by tone, as a text: unchanged, nothing is drawn. */
function useTones(circle: Circle, studentId: string): Record<LookFor['tone'], number> {
  const kept = useRecords(({ current }) => {
    const sums = { wanted: 0, neutral: 0, unwanted: 0 };
    for (const { studentId: who, lookForId, amount } of talliesOf(current, circle.id)) {
      const lookFor = current.lookFor[lookForId];
      if (who === studentId && lookFor && lookFor.measure !== 'seconds') sums[lookFor.tone] += amount ?? 0;
    }
    return JSON.stringify(sums);
  });
  return JSON.parse(kept) as Record<LookFor['tone'], number>;
}

interface SeatProps {
  circle: Circle;
  member: CircleMember;
  name: string;
  place: Box;
  held: boolean;
  onTap: (studentId: string) => void;
}

const Seat = memo(function Seat({ circle, member, name, place, held, onTap }: SeatProps) {
  const palette = usePalette();
  const tones = useTones(circle, member.studentId);
  const lookFors = useRecords((state) => state.current.lookFor);
  const goal = goalWords(member.goalLookForId, member.goalCount, lookFors);
  const spoken = tones.wanted + tones.neutral + tones.unwanted;
  return (
    <View style={{ position: 'absolute', ...place }} {...({ dataSet: { row: '' } } as object)}>
      <TapArea
        testID="seat"
        name={`${name}: spoke ${spoken === 1 ? 'once' : `${spoken} times`}${goal ? `, goal ${goal}` : ''}`}
        held={held}
        onTap={() => {
          onTap(member.studentId);
        }}
        style={{
          width: place.width,
          height: place.height,
          alignItems: 'center',
          justifyContent: 'center',
          borderRadius: radius.card,
          borderWidth: held ? 2 : 1,
          borderColor: held ? palette.slate : palette.line,
          backgroundColor: held ? palette.slateWash : palette.surface,
        }}
      >
        <Words bold={held} lines={1} style={{ lineHeight: 20, fontSize: 15 }}>
          {name}
        </Words>
        <View style={{ flexDirection: 'row', height: 20 }}>
          <TallyStrokes count={tones.wanted} tone="wanted" />
          <TallyStrokes count={tones.neutral} tone="neutral" />
          <TallyStrokes count={tones.unwanted} tone="unwanted" />
        </View>
      </TapArea>
    </View>
  );
});

/** The circle as it sits in the room, the first at the top, on clockwise. */
export function Ring({ circle, members, names, heldId, arranging, onTap }: RingProps) {
  const palette = usePalette();
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [lifted, setLifted] = useState<string | null>(null);
  const onLayout = ({ nativeEvent: { layout } }: LayoutChangeEvent) => {
    setSize({ width: layout.width, height: layout.height });
  };
  // The same objects until the ring changes, so that a stroke draws one seat and no other.
  const { height, room, places } = useMemo(() => ringOf(members.length, size), [members.length, size]);
  const placeOf = (index: number): Box => places[index] ?? nowhere;
  const move = (studentId: string, ontoId: string) => {
    if (studentId === ontoId) return;
    const seated = members.map((member) => ({ id: member.studentId, place: member.place }));
    const place = placeOnto(seated, studentId, ontoId);
    makeChange('circle.seat', { circleId: circle.id, seats: [{ studentId, place }] }, circle.id);
  };
  const tapToMove = (studentId: string) => {
    if (lifted === null) setLifted(studentId);
    else {
      move(lifted, studentId);
      setLifted(null);
    }
  };
  return (
    <ScrollView
      onLayout={onLayout}
      style={{ flex: 1, minHeight: 200 }}
      contentContainerStyle={{ height }}
      role="group"
      aria-label="The circle"
    >
      {size.width === 0 ? null : (
        <>
          <Svg width={size.width} height={height} style={{ position: 'absolute' }} aria-hidden>
            <Ellipse
              cx={size.width / 2}
              cy={height / 2}
              rx={room.width / 2}
              ry={room.height / 2}
              fill="none"
              stroke={palette.line}
              strokeWidth={2}
            />
          </Svg>
          {arranging ? (
            <Suspense fallback={null}>
              <MovableSeats
                seats={members.map(({ studentId }, index) => ({
                  id: studentId,
                  name: names.get(studentId) ?? '',
                  place: placeOf(index),
                }))}
                lifted={lifted}
                onMove={move}
                onTap={tapToMove}
              />
            </Suspense>
          ) : (
            members.map((member, index) => (
              <Seat
                key={member.studentId}
                circle={circle}
                member={member}
                name={names.get(member.studentId) ?? ''}
                place={placeOf(index)}
                held={heldId === member.studentId}
                onTap={onTap}
              />
            ))
          )}
        </>
      )}
    </ScrollView>
  );
}
