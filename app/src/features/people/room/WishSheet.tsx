import X from 'lucide-react-native/icons/x';
import { useState } from 'react';
import { View } from 'react-native';
import { isSame, type Seat } from '@slate-path/core/people/room/seat';
import { holds } from '@slate-path/core/people/room/seating/holds';
import { relationsOf } from '@slate-path/core/people/room/seating/relations';
import { isOfTwo, mostWishes, type WishKind } from '@slate-path/core/people/room/seating/wish';
import { wishWords } from '@slate-path/core/people/room/seating/wishWords';
import type { Place } from '@slate-path/core/people/room/placing';
import type { RoomPlan, SeatWish } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { IconAction } from '../../../parts/IconAction';
import { SeveralOf } from '../../../parts/SeveralOf';
import { Sheet } from '../../../parts/Sheet';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { makeChange, newId } from '../../../sync/outbox';
import { usePalette } from '../../../theme/theme';
import { radius, space } from '../../../theme/tokens';
import { roomHistory } from './plans';
import { RoomFloor } from './RoomFloor';

const kinds: readonly { value: WishKind; label: string }[] = [
  { value: 'apart', label: 'Apart' },
  { value: 'together', label: 'Together' },
  { value: 'front', label: 'Front' },
  { value: 'notThere', label: 'Not there' },
];

const meanings: Record<WishKind, string> = {
  apart: 'At least two places or aisles between them, in every direction.',
  together: 'Beside each other at a table; where tables are single, across the aisle.',
  front: 'In the first third of the rows.',
  notThere: 'Not on the seats that you tap.',
};

interface WishSheetProps {
  plan: RoomPlan;
  places: readonly Place[];
  wishes: readonly SeatWish[];
  names: ReadonlyMap<string, string>;
  onSeat: () => void;
  onClose: () => void;
}

/** Which wishes the class sits by. */
export function keptOf(plan: RoomPlan, places: readonly Place[], wishes: readonly SeatWish[]): Set<string> {
  const relations = relationsOf(plan.seats);
  const seatOf = new Map(
    places.map((place) => [place.studentId, plan.seats.findIndex((seat) => isSame(seat, place))]),
  );
  return new Set(wishes.filter((wish) => holds(wish, plan.seats, relations, seatOf)).map(({ id }) => id));
}

/** What is wished of where somebody sits: apart, together, near the front, not there. */
export function WishSheet({ plan, places, wishes, names, onSeat, onClose }: WishSheetProps) {
  const kept = keptOf(plan, places, wishes);
  const nameOf = (id: string) => names.get(id) ?? '';
  return (
    <Sheet
      title="Wishes"
      note="Kept when the class is seated, as far as they can be. Who reads this plan reads them; students do not."
      onClose={onClose}
    >
      {wishes.map((wish) => {
        const words = wishWords(wish.kind, wish.studentIds.map(nameOf), wish.seats.length);
        return (
          <View key={wish.id} style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
            <View style={{ flex: 1 }}>
              <Words bold={!kept.has(wish.id)}>{words}</Words>
              <Words size="small" tone="inkQuiet">
                {kept.has(wish.id) ? 'kept' : 'not kept as they sit now'}
              </Words>
            </View>
            <IconAction
              name={`Take away: ${words}`}
              icon={X}
              onPress={() => {
                const { id, sectionId } = wish;
                makeChange('seatWish.remove', { id, sectionId, removed: true }, roomHistory(sectionId));
              }}
            />
          </View>
        );
      })}
      {wishes.length > kept.size ? (
        <Action label="Seat the class by its wishes" kind="main" onPress={onSeat} />
      ) : null}
      {wishes.length < mostWishes ? <NewWish plan={plan} names={names} /> : null}
    </Sheet>
  );
}

function NewWish({ plan, names }: Pick<WishSheetProps, 'plan' | 'names'>) {
  const [kind, setKind] = useState<WishKind>('apart');
  const [about, setAbout] = useState<readonly string[]>([]);
  const [seats, setSeats] = useState<readonly Seat[]>([]);
  const most = isOfTwo(kind) ? 2 : 1;
  const ready = about.length === most && (kind !== 'notThere' || seats.length > 0);
  const add = () => {
    const { sectionId } = plan;
    const of = kind === 'notThere' ? seats.map(({ x, y }) => ({ x, y })) : [];
    const wish = { id: newId(), sectionId, kind, studentIds: [...about], seats: of };
    makeChange('seatWish.set', wish, roomHistory(sectionId));
    setAbout([]);
    setSeats([]);
  };
  return (
    <View style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        A new wish
      </Words>
      <Choice
        name="What is wished"
        value={kind}
        options={kinds}
        onChange={(next) => {
          setKind(next);
          setAbout(about.slice(0, isOfTwo(next) ? 2 : 1));
        }}
      />
      <Words tone="inkQuiet">{meanings[kind]}</Words>
      <SeveralOf
        name={most === 2 ? 'Which two' : 'Who'}
        values={new Set(about)}
        options={[...names].map(([value, label]) => ({ value, label }))}
        onChange={(next) => {
          // Of more than fit the first gives way.
          setAbout(
            [...about.filter((id) => next.has(id)), ...[...next].filter((id) => !about.includes(id))].slice(
              -most,
            ),
          );
        }}
      />
      {kind === 'notThere' ? <SeatPicker plan={plan} seats={seats} onChange={setSeats} /> : null}
      <Action label="Add the wish" kind="main" disabled={!ready} onPress={add} />
    </View>
  );
}

interface SeatPickerProps {
  plan: RoomPlan;
  seats: readonly Seat[];
  onChange: (seats: readonly Seat[]) => void;
}

/** Seats of the room, some of them marked. */
function SeatPicker({ plan, seats, onChange }: SeatPickerProps) {
  const palette = usePalette();
  return (
    <RoomFloor seats={plan.seats} furniture={plan.furniture} narrowest={44} widest={64} height={44}>
      {({ x, y }, box) => {
        const marked = seats.some((seat) => isSame(seat, { x, y }));
        return (
          <View key={`${x} ${y}`} style={{ position: 'absolute', ...box }}>
            <TapArea
              name={`${marked ? 'Not here' : 'Here too'}: column ${x + 1}, row ${y + 1}`}
              held={marked}
              onTap={() => {
                onChange(marked ? seats.filter((seat) => !isSame(seat, { x, y })) : [...seats, { x, y }]);
              }}
              style={{
                flex: 1,
                alignItems: 'center',
                justifyContent: 'center',
                borderRadius: radius.control,
                borderWidth: marked ? 2 : 1,
                borderColor: marked ? palette.slate : palette.inkQuiet,
                backgroundColor: marked ? palette.slateWash : palette.surface,
              }}
            >
              {marked ? <X size={18} color={palette.ink} strokeWidth={2} /> : null}
            </TapArea>
          </View>
        );
      }}
    </RoomFloor>
  );
}
