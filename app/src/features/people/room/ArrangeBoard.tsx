import ArrowDown from 'lucide-react-native/icons/arrow-down';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import ArrowRight from 'lucide-react-native/icons/arrow-right';
import ArrowUp from 'lucide-react-native/icons/arrow-up';
import RotateCw from 'lucide-react-native/icons/rotate-cw';
import Trash from 'lucide-react-native/icons/trash';
import X from 'lucide-react-native/icons/x';
import { DndContext, MouseSensor, TouchSensor, useSensor, useSensors } from '@dnd-kit/core';
import { useMemo, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { cellsOf, type Furniture, type TurnedSeat } from '@slate-path/core/people/room/furniture';
import { inReadingOrder, isSame, type Seat } from '@slate-path/core/people/room/seat';
import { lastCell } from '@slate-path/core/people/room/layouts';
import { furnitureKinds, mostFurniture, mostSeats } from '@slate-path/core/people/room/limits';
import {
  isFree,
  moved,
  removed,
  tableAt,
  turned,
  whatStandsAt,
  type Chosen,
  type Room,
} from '@slate-path/core/people/room/pieces';
import { whoSitsAt } from '@slate-path/core/people/room/placing';
import { Action } from '../../../parts/Action';
import { IconAction } from '../../../parts/IconAction';
import { choicePhrase, Sentence } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { newId } from '../../../sync/outbox';
import { space, target } from '../../../theme/tokens';
import { around, type Box, type SeenFrom } from './floor';
import { FloorCell } from './FloorCell';
import { PieceShape } from './PieceShape';
import { pieceSizes, pieceWords } from './pieceWords';
import { spoken } from './spoken';
import { useMoveKeys } from './useMoveKeys';

interface ArrangeBoardProps {
  room: Room;
  names: ReadonlyMap<string, string>;
  from: SeenFrom;
  onRoom: (room: Room) => void;
}

type Hand = 'take' | 'table' | 'seat' | Furniture['kind'];

const hands: readonly { value: Hand; label: string }[] = [
  { value: 'take', label: 'takes one thing in hand' },
  { value: 'table', label: 'takes a whole table in hand' },
  { value: 'seat', label: 'puts a seat' },
  ...furnitureKinds.map((kind) => ({ value: kind, label: `puts a ${pieceWords[kind].toLowerCase()}` })),
];

const nothing: Chosen = { seats: [], furniture: [] };
const here: Seat = { x: 0, y: 0 };
const cellHeight = 44;
const gap = 4;

/** However little stands in a room, its floor reaches from one of these places to the other. */
const smallest: readonly Seat[] = [
  { x: 11, y: 11 },
  { x: 16, y: 15 },
];

/** From which column and row to which: all that stands there, and one more on every side. */
function extent({ seats, furniture }: Room) {
  const used = [...seats, ...furniture.flatMap(cellsOf), ...smallest];
  const span = (values: readonly number[]) => ({
    first: Math.max(0, Math.min(...values) - 1),
    last: Math.min(lastCell, Math.max(...values) + 1),
  });
  return { columns: span(used.map(({ x }) => x)), rows: span(used.map(({ y }) => y)) };
}

const numbers = ({ first, last }: { first: number; last: number }) =>
  Array.from({ length: last - first + 1 }, (_, at) => first + at);

const turnOf = (found: TurnedSeat | Furniture | null) => found?.turn ?? 0;

/** Adds or takes away from what is in hand. */
function toggled(chosen: Chosen, room: Room, cell: Seat, whole: boolean): Chosen {
  const found = whatStandsAt(room, cell);
  if (!found) return nothing;
  if ('kind' in found) {
    const { furniture } = chosen;
    const rest = furniture.filter((id) => id !== found.id);
    return { ...chosen, furniture: rest.length < furniture.length ? rest : [...furniture, found.id] };
  }
  const table = whole ? tableAt(room.seats, found) : [found];
  const rest = chosen.seats.filter((seat) => !table.some((one) => isSame(one, seat)));
  const had = chosen.seats.some((seat) => isSame(seat, found));
  return { ...chosen, seats: had ? rest : [...rest, ...table.map(({ x, y }) => ({ x, y }))] };
}

/** Where seats and furniture stand: put, taken in hand several at once, moved by finger, mouse or keys, turned. */
export function ArrangeBoard({ room, names, from, onRoom }: ArrangeBoardProps) {
  const [width, setWidth] = useState(useWindowDimensions().width - 2 * space(4));
  const [hand, setHand] = useState<Hand>(room.seats.length > 0 ? 'take' : 'seat');
  const [chosen, setChosen] = useState<Chosen>(nothing);
  /** So many places to the right and down is what is in hand, while it is dragged. */
  const [dragged, setDragged] = useState(here);
  const [said, setSaid] = useState('');
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  const { columns, rows } = extent(room);
  const sign = from === 'front' ? 1 : -1;
  const [xs, ys] = [numbers(columns), numbers(rows)];
  const cellWidth = Math.max(44, Math.min(64, Math.floor((width + gap) / xs.length) - gap));
  const boxOf = ({ x, y }: Seat): Box => ({
    left: (sign > 0 ? x - columns.first : columns.last - x) * (cellWidth + gap),
    top: (sign > 0 ? rows.last - y : y - rows.first) * (cellHeight + gap),
    width: cellWidth,
    height: cellHeight,
  });
  const stepsOf = (delta: Seat): Seat => ({
    x: Math.round(delta.x / (cellWidth + gap)),
    y: Math.round(delta.y / (cellHeight + gap)),
  });
  // Not as another place: the drag reckons from where it stood.
  const shift: Seat = { x: dragged.x * (cellWidth + gap), y: dragged.y * (cellHeight + gap) };
  const count = chosen.seats.length + chosen.furniture.length;
  const isChosen = (cell: Seat) => {
    const found = whatStandsAt(room, cell);
    if (!found) return false;
    return 'kind' in found
      ? chosen.furniture.includes(found.id)
      : chosen.seats.some((seat) => isSame(seat, found));
  };
  const change = (next: Room | null, what: Chosen, why: string) => {
    setSaid(next ? '' : why);
    if (!next) return;
    setChosen(what);
    onRoom(next);
  };
  const blocked = 'Something stands in the way, or the floor ends there. Nothing was moved.';
  const move = (what: Chosen, dx: number, dy: number) => {
    const seats = what.seats.map(({ x, y }) => ({ x: x + dx, y: y + dy }));
    change(moved(room, what, dx, dy), { ...what, seats }, blocked);
  };
  const turn = () => {
    const next = turned(room, chosen);
    const at = room.seats.flatMap((seat, index) =>
      chosen.seats.some((one) => isSame(one, seat)) ? [index] : [],
    );
    const seats = at.flatMap((index) => next?.seats[index] ?? []).map(({ x, y }) => ({ x, y }));
    change(next, { ...chosen, seats }, 'There is no room to turn it. Nothing was moved.');
  };
  const put = (cell: Seat) => {
    if (hand === 'seat') {
      if (room.seats.length >= mostSeats) setSaid(`A room has at most ${mostSeats} seats.`);
      else onRoom({ ...room, seats: inReadingOrder([...room.seats, { x: cell.x, y: cell.y }]) });
      return;
    }
    if (hand === 'take' || hand === 'table') return;
    const piece: Furniture = { id: newId(), kind: hand, ...cell, ...pieceSizes[hand], turn: 0 };
    const fits = [piece, { ...piece, wide: 1 }].find((one) =>
      isFree({ seats: room.seats, furniture: [...room.furniture, one] }),
    );
    if (!fits || room.furniture.length >= mostFurniture) setSaid('There is no room for it here.');
    else change({ ...room, furniture: [...room.furniture, fits] }, { seats: [], furniture: [fits.id] }, '');
  };
  const tap = (cell: Seat) => {
    setSaid('');
    if (whatStandsAt(room, cell)) setChosen(toggled(chosen, room, cell, hand === 'table'));
    else if (count > 0) setChosen(nothing);
    else put(cell);
  };
  const take = () => {
    change(removed(room, chosen), nothing, '');
  };
  useMoveKeys(count > 0, {
    move: (dx, dy) => {
      move(chosen, dx * sign, dy * sign);
    },
    turn,
    take,
    drop: () => {
      setChosen(nothing);
    },
  });
  const cells = useMemo(() => ys.flatMap((y) => xs.map((x) => ({ x, y }))), [xs, ys]);
  const steps = [
    { name: 'Move to the left', icon: ArrowLeft, dx: -1, dy: 0 },
    { name: 'Move away', icon: ArrowUp, dx: 0, dy: 1 },
    { name: 'Move nearer', icon: ArrowDown, dx: 0, dy: -1 },
    { name: 'Move to the right', icon: ArrowRight, dx: 1, dy: 0 },
  ];
  return (
    <DndContext
      sensors={sensors}
      accessibility={{ announcements: spoken }}
      onDragStart={({ active }) => {
        const [x = 0, y = 0] = String(active.id).split(' ').map(Number);
        if (!isChosen({ x, y })) setChosen(toggled(nothing, room, { x, y }, hand === 'table'));
      }}
      onDragMove={({ delta }) => {
        const next = stepsOf(delta);
        if (!isSame(next, dragged)) setDragged(next);
      }}
      onDragCancel={() => {
        setDragged(here);
      }}
      onDragEnd={({ delta }) => {
        const { x, y } = stepsOf(delta);
        setDragged(here);
        if (x !== 0 || y !== 0) move(chosen, x * sign, -y * sign);
      }}
    >
      <Sentence
        parts={[
          'A tap ',
          choicePhrase({ name: 'choose what a tap does', value: hand, options: hands, onChange: setHand }),
          count > 0 ? `. In hand: ${count}.` : '. Nothing is in hand.',
        ]}
      />
      <View
        style={{
          flexDirection: 'row',
          flexWrap: 'wrap',
          alignItems: 'center',
          minHeight: target,
        }}
      >
        {count > 0 ? (
          <>
            {steps.map(({ name, icon, dx, dy }) => (
              <IconAction
                key={name}
                name={name}
                icon={icon}
                onPress={() => {
                  move(chosen, dx * sign, dy * sign);
                }}
              />
            ))}
            <IconAction name="Turn by an eighth" icon={RotateCw} onPress={turn} />
            <IconAction name="Take away" icon={Trash} onPress={take} />
            <IconAction
              name="Let go"
              icon={X}
              onPress={() => {
                setChosen(nothing);
              }}
            />
          </>
        ) : (
          <Action
            label="Take everything in hand"
            onPress={() => {
              setChosen({
                seats: room.seats.map(({ x, y }) => ({ x, y })),
                furniture: room.furniture.map(({ id }) => id),
              });
            }}
          />
        )}
      </View>
      {said === '' ? null : (
        <View aria-live="polite">
          <Words bold>{said}</Words>
        </View>
      )}
      <View
        role="group"
        aria-label={`The floor, seen from the ${from}`}
        onLayout={({ nativeEvent }) => {
          setWidth(nativeEvent.layout.width);
        }}
      >
        <ScrollView horizontal contentContainerStyle={{ flexGrow: 1, justifyContent: 'center' }}>
          <View
            style={{
              width: xs.length * (cellWidth + gap),
              height: ys.length * (cellHeight + gap),
            }}
          >
            {cells.map((cell) => {
              const found = whatStandsAt(room, cell);
              const what = !found ? 'free' : 'kind' in found ? pieceWords[found.kind] : 'seat';
              return (
                <FloorCell
                  key={`${cell.x} ${cell.y}`}
                  cell={cell}
                  box={boxOf(cell)}
                  what={what}
                  turn={turnOf(found)}
                  name={names.get(whoSitsAt(room.places, cell) ?? '')}
                  inHand={isChosen(cell)}
                  shift={isChosen(cell) ? shift : here}
                  onTap={tap}
                />
              );
            })}
            {room.furniture.map((piece) => (
              <PieceShape
                key={piece.id}
                piece={piece}
                box={around(cellsOf(piece).map(boxOf))}
                inHand={chosen.furniture.includes(piece.id)}
                shift={chosen.furniture.includes(piece.id) ? shift : here}
              />
            ))}
          </View>
        </ScrollView>
      </View>
    </DndContext>
  );
}
