import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { placesOf } from '@slate-path/core/people/room/placing';
import type { Room } from '@slate-path/core/people/room/pieces';
import { seatNames } from '@slate-path/core/people/room/seatNames';
import { filledWords, mixedWords, wishWords } from '@slate-path/core/people/room/seating/wishWords';
import type { RoomPlan, Student } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../../parts/Action';
import { dayMonth } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { choicePhrase, Sentence, type SentencePart } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { makeChange } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { ArrangeBoard } from './ArrangeBoard';
import { Board } from './Board';
import { fillRoomRequest } from './fillRoomRequest';
import { FillSheet, type FillChoice } from './FillSheet';
import type { SeenFrom } from './floor';
import { arrange, roomHistory, savePlan, wishesOf } from './plans';
import { RenamePlan } from './RenamePlan';
import { useFilling } from './useFilling';
import { keptOf, WishSheet } from './WishSheet';

/** What stands open over a plan. */
export type PlanSheet = 'name' | 'wishes' | 'seat' | null;

interface OpenPlanProps {
  plan: RoomPlan;
  students: readonly Student[];
  /** In use since that day; null where it is not. */
  since: string | null;
  today: string;
  /** From which day a change counts, by class. */
  startsOn: (sectionId: string) => string;
  /** Its name, or the phrase that chooses another. */
  name: SentencePart;
  /** Other classes whose plans have the same room. */
  sharedWith: readonly string[];
  sheet: PlanSheet;
  onSheet: (sheet: PlanSheet) => void;
  onRemoved: () => void;
}

/** A room plan: who sits where, what stands where, and what is wished. */
export function OpenPlan(props: OpenPlanProps) {
  const { plan, students, since, today, startsOn, name, sharedWith, sheet, onSheet, onRemoved } = props;
  const { sectionId } = plan;
  const [work, setWork] = useState<'students' | 'seats'>(plan.seats.length > 0 ? 'students' : 'seats');
  const [from, setFrom] = useState<SeenFrom>('front');
  const [outcome, setOutcome] = useState('');
  const { busy, fill } = useFilling();
  const names = useMemo(() => seatNames(students), [students]);
  const current = useRecords((state) => state.current);
  const wishes = useMemo(() => wishesOf(current, sectionId, names), [current, sectionId, names]);
  const places = placesOf(plan, new Set(names.keys()));
  const kept = useMemo(() => keptOf(plan, places, wishes), [plan, places, wishes]);
  const save = (news: Partial<RoomPlan>) => {
    setOutcome('');
    savePlan({ ...plan, places, ...news }, since === null ? null : startsOn(sectionId));
  };
  const words = (id: string) => {
    const wish = wishes.find((one) => one.id === id);
    const people = (wish?.studentIds ?? []).map((of) => names.get(of) ?? '');
    return wish ? wishWords(wish.kind, people, wish.seats.length) : '';
  };
  const seat = async (choice: FillChoice) => {
    const request = fillRoomRequest({ plan, places, names, wishes, current, choice });
    const filled = await fill(request);
    save({ places: filled.places });
    onSheet(null);
    const left = names.size - filled.places.length;
    const said = [
      filledWords(filled, words),
      choice.order === 'mixed' ? mixedWords(filled.alike, Object.keys(request.groups).length) : '',
      left > 0 ? `For ${many(left, 'student')} there is no seat.` : '',
    ];
    setOutcome(said.filter(Boolean).join(' '));
  };
  const close = () => {
    onSheet(null);
  };
  const first = startsOn(sectionId);
  return (
    <>
      <Sentence
        parts={[
          name,
          since === null
            ? ' is not in use'
            : ` is in use ${since > today ? 'from' : 'since'} ${dayMonth(since)}`,
          sharedWith.length > 0 ? `, one room with ${sharedWith.join(' and ')}` : '',
          `; ${places.length} of ${students.length} have a seat, `,
          {
            words:
              wishes.length === 0
                ? 'no wishes'
                : `${kept.size} of ${many(wishes.length, 'wish', 'wishes')} kept`,
            name: 'see what is wished',
            onTap: () => {
              onSheet('wishes');
            },
          },
          '. Seen from the ',
          choicePhrase({
            name: 'choose from where it is seen',
            value: from,
            options: [
              { value: 'front', label: 'front' },
              { value: 'back', label: 'back' },
            ],
            onChange: setFrom,
          }),
          '. A tap changes ',
          choicePhrase({
            name: 'choose what a tap changes',
            value: work,
            options: [
              { value: 'students', label: 'who sits where' },
              { value: 'seats', label: 'what stands where' },
            ],
            onChange: setWork,
          }),
          '.',
        ]}
      />
      {since === null ? (
        <View style={{ flexDirection: 'row' }}>
          <Action
            label={`Use it from ${first === today ? 'today' : 'tomorrow'}`}
            onPress={() => {
              savePlan({ ...plan, places }, first);
            }}
          />
        </View>
      ) : null}
      {outcome === '' ? null : (
        <View aria-live="polite" testID="seated">
          <Words bold>{outcome}</Words>
        </View>
      )}
      {work === 'students' ? (
        <>
          {plan.seats.length === 0 ? (
            <Empty
              title="No seats yet"
              action={
                <Action
                  label="Put seats"
                  kind="main"
                  onPress={() => {
                    setWork('seats');
                  }}
                />
              }
            >
              An empty room: put seats, a board, a door where they are; then everybody gets a seat.
            </Empty>
          ) : (
            <Board
              plan={plan}
              places={places}
              names={names}
              from={from}
              onPlaces={(next) => {
                save({ places: next });
              }}
              onSeat={() => {
                onSheet('seat');
              }}
            />
          )}
        </>
      ) : (
        <>
          <ArrangeBoard
            room={{ ...plan, places }}
            names={names}
            from={from}
            onRoom={(room: Room) => {
              setOutcome('');
              arrange({ ...plan, places }, room, startsOn);
            }}
          />
        </>
      )}
      {sheet === 'name' ? (
        <RenamePlan
          plan={plan}
          onName={(next) => {
            save({ name: next });
            close();
          }}
          onRemove={() => {
            makeChange('room.remove', { id: plan.id, sectionId, removed: true }, roomHistory(sectionId));
            onRemoved();
          }}
          onClose={close}
        />
      ) : null}
      {sheet === 'wishes' ? (
        <WishSheet
          plan={plan}
          places={places}
          wishes={wishes}
          names={names}
          onSeat={() => {
            onSheet('seat');
          }}
          onClose={close}
        />
      ) : null}
      {sheet === 'seat' ? (
        <FillSheet
          wishes={wishes.length}
          some={places.length > 0}
          busy={busy}
          onFill={(choice) => void seat(choice)}
          onClose={close}
        />
      ) : null}
    </>
  );
}
