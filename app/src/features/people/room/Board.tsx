import {
  DndContext,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { useCallback, useState, type ReactNode } from 'react';
import { View, type ViewStyle } from 'react-native';
import { seatWords, type Seat } from '@slate-path/core/people/room/seat';
import { seated, whoSitsAt, type Place } from '@slate-path/core/people/room/placing';
import type { RoomPlan } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { grabbed } from '../../../parts/grabbed';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius, space, target } from '../../../theme/tokens';
import type { Box, SeenFrom } from './floor';
import { RoomFloor } from './RoomFloor';
import { spoken } from './spoken';

interface BoardProps {
  plan: RoomPlan;
  places: readonly Place[];
  /** Who is in the class, in the order of its list. */
  names: ReadonlyMap<string, string>;
  from: SeenFrom;
  onPlaces: (places: Place[]) => void;
  onSeat: () => void;
}

const seatId = ({ x, y }: Seat) => `seat ${x} ${y}`;
const benchId = 'no seat';

/** Who sits where: a student is dragged to a seat, or tapped and then the seat; whoever sat there changes with them. */
export function Board({ plan, places, names, from, onPlaces, onSeat }: BoardProps) {
  const [lifted, setLifted] = useState<string | null>(null);
  // A finger that rests takes hold; one that moves on scrolls.
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  const put = (studentId: string, seat: Seat | null) => {
    setLifted(null);
    onPlaces(seated(places, studentId, seat));
  };
  const tapSeat = (seat: Seat) => {
    const sitting = whoSitsAt(places, seat);
    if (lifted === null) setLifted(sitting ?? null);
    else if (lifted === sitting) setLifted(null);
    else put(lifted, seat);
  };
  const waiting = [...names.keys()].filter((id) => !places.some(({ studentId }) => studentId === id));
  const rows = new Set(plan.seats.map(({ y }) => y)).size;
  const liftedName = lifted === null ? null : (names.get(lifted) ?? '');
  return (
    <DndContext
      sensors={sensors}
      accessibility={{ announcements: spoken }}
      onDragEnd={({ active, over }) => {
        const seat = plan.seats.find((one) => seatId(one) === over?.id);
        if (over && (seat || over.id === benchId)) put(String(active.id), seat ?? null);
      }}
    >
      <View aria-live="polite" style={{ minHeight: 24 }}>
        <Words tone={liftedName === null ? 'inkQuiet' : 'ink'} bold={liftedName !== null}>
          {liftedName === null
            ? 'Tap a student, then a seat; or drag.'
            : `${liftedName}: tap a seat, or somebody to change with.`}
        </Words>
      </View>
      <RoomFloor
        tables
        seats={plan.seats}
        furniture={plan.furniture}
        from={from}
        narrowest={44}
        widest={160}
        height={rows > 8 ? 44 : 56}
      >
        {(seat, box) => {
          const studentId = whoSitsAt(places, seat);
          return (
            <SeatSpot
              key={seatId(seat)}
              box={box}
              id={seatId(seat)}
              where={seatWords(plan.seats, seat)}
              studentId={studentId}
              name={studentId === undefined ? undefined : names.get(studentId)}
              lifted={lifted !== null && lifted === studentId}
              target={lifted !== null}
              onTap={() => {
                tapSeat(seat);
              }}
            />
          );
        }}
      </RoomFloor>
      <Bench lifted={lifted} onTake={() => lifted !== null && put(lifted, null)}>
        {waiting.length === 0 ? null : (
          <>
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(3), flexWrap: 'wrap' }}>
              <Words size="large" serif heading={2}>
                {`Without a seat: ${waiting.length}`}
              </Words>
              <Action label="Seat them" onPress={onSeat} />
            </View>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
              {waiting.map((studentId) => (
                <Standing
                  key={studentId}
                  studentId={studentId}
                  name={names.get(studentId) ?? ''}
                  lifted={lifted === studentId}
                  onTap={() => {
                    setLifted(lifted === studentId ? null : studentId);
                  }}
                />
              ))}
            </View>
          </>
        )}
      </Bench>
    </DndContext>
  );
}

/** As large as lets the longest word of a name stand on a seat. */
function letters(words: string, width: number): { fontSize: number; lineHeight: number } {
  const longest = Math.max(...words.split(/[\s-]+/).map(({ length }) => length), 1);
  // A letter is about 0.58 as wide as it is high.
  const fontSize = Math.max(10, Math.min(15, Math.floor((width - 6) / (longest * 0.58))));
  return { fontSize, lineHeight: Math.round(fontSize * 1.3) };
}

interface SeatSpotProps {
  id: string;
  box: Box;
  where: string;
  studentId: string | undefined;
  name: string | undefined;
  lifted: boolean;
  /** Somebody is in hand and can be put here. */
  target: boolean;
  onTap: () => void;
}

function SeatSpot({ id, box, where, studentId, name, lifted, target: asTarget, onTap }: SeatSpotProps) {
  const palette = usePalette();
  const { setNodeRef: asDrop, isOver } = useDroppable({ id });
  const {
    setNodeRef: asDrag,
    listeners,
    transform,
    isDragging,
  } = useDraggable({ id: studentId ?? id, disabled: studentId === undefined });
  const ref = useCallback(
    (node: unknown) => {
      asDrop(node as HTMLElement | null);
    },
    [asDrop],
  );
  const inner = useCallback(
    (node: unknown) => {
      asDrag(node as HTMLElement | null);
    },
    [asDrag],
  );
  const marked = lifted || isOver;
  const words = name === undefined ? 'free' : name;
  return (
    <View
      ref={ref}
      testID="room-seat"
      role="button"
      tabIndex={0}
      aria-label={`${words}: ${where}${lifted ? ', in hand' : ''}`}
      {...grabbed(onTap, undefined)}
      style={[
        { position: 'absolute', ...box, borderRadius: radius.card, zIndex: isDragging ? 2 : 0 },
        { borderWidth: marked ? 2 : 1, borderStyle: name === undefined ? 'dashed' : 'solid' },
        { borderColor: marked || asTarget ? palette.slate : palette.line },
        {
          backgroundColor: marked ? palette.slateWash : name === undefined ? palette.ground : palette.surface,
        },
      ]}
    >
      <View
        ref={inner}
        {...(listeners ?? {})}
        style={[
          { flex: 1, alignItems: 'center', justifyContent: 'center', padding: 2, borderRadius: radius.card },
          { transform: [{ translateX: transform?.x ?? 0 }, { translateY: transform?.y ?? 0 }] },
          isDragging ? { backgroundColor: palette.slateWash } : null,
          { cursor: name === undefined ? 'pointer' : 'grab', touchAction: 'manipulation' } as object,
        ]}
      >
        <Words
          lines={/[\s-]/.test(words) ? 2 : 1}
          bold={lifted}
          tone={name === undefined ? 'inkQuiet' : 'ink'}
          style={{ ...letters(words, box.width), textAlign: 'center' }}
        >
          {words}
        </Words>
      </View>
    </View>
  );
}

interface StandingProps {
  studentId: string;
  name: string;
  lifted: boolean;
  onTap: () => void;
}

/** Somebody without a seat. */
function Standing({ studentId, name, lifted, onTap }: StandingProps) {
  const palette = usePalette();
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: studentId });
  const ref = useCallback(
    (node: unknown) => {
      setNodeRef(node as HTMLElement | null);
    },
    [setNodeRef],
  );
  return (
    <View
      ref={ref}
      role="button"
      tabIndex={0}
      aria-label={`${name}: no seat yet${lifted ? ', in hand' : ''}`}
      {...grabbed(onTap, listeners)}
      style={[
        {
          minHeight: target,
          justifyContent: 'center',
          paddingHorizontal: space(3),
          borderRadius: radius.card,
          borderWidth: lifted ? 2 : 1,
          borderColor: lifted ? palette.slate : palette.line,
          backgroundColor: lifted || isDragging ? palette.slateWash : palette.surface,
          zIndex: isDragging ? 2 : 0,
          transform: [{ translateX: transform?.x ?? 0 }, { translateY: transform?.y ?? 0 }],
        },
        { cursor: 'grab', touchAction: 'manipulation' } as object,
      ]}
    >
      <Words bold={lifted}>{name}</Words>
    </View>
  );
}

/** Those who have no seat; dropped here, somebody has none. */
function Bench({
  lifted,
  onTake,
  children,
}: {
  lifted: string | null;
  onTake: () => void;
  children: ReactNode;
}) {
  const palette = usePalette();
  const { setNodeRef, isOver } = useDroppable({ id: benchId });
  const ref = useCallback(
    (node: unknown) => {
      setNodeRef(node as HTMLElement | null);
    },
    [setNodeRef],
  );
  const look: ViewStyle = {
    gap: space(3),
    minHeight: target,
    borderRadius: radius.card,
    backgroundColor: isOver ? palette.slateWash : 'transparent',
  };
  return (
    <View ref={ref} style={look}>
      {children}
      {lifted === null ? null : (
        <View style={{ flexDirection: 'row' }}>
          <Action label="Take off the plan" onPress={onTake} />
        </View>
      )}
    </View>
  );
}
