import { useLocalSearchParams } from 'expo-router';
import { lazy, Suspense, useMemo, useState } from 'react';
import { View } from 'react-native';
import type { RoomPlan, Student } from '@slate-path/core/records/schema';
import { allSeated, placesOf, withSeatChanged } from '@slate-path/core/people/room/placing';
import { seatNames } from '@slate-path/core/people/room/seatNames';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { Action } from '../../../parts/Action';
import { dayMonth } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { choicePhrase, Sentence, type SentencePart } from '../../../parts/Sentence';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useNow } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { ClassPage } from '../class/lazyClassPage';
import { NewPlan, RenamePlan } from './PlanForm';
import { planInUse, plansOf, roomHistory, savePlan, useCountsFrom } from './plans';
import { SeatsEditor } from './SeatsEditor';

const Board = lazy(() => import('../../arranging').then((found) => ({ default: found.Board })));

/** Who is in a class today, in the order of its list. */
function useClass(sectionId: string, date: string): Student[] {
  const order = useNameOrder();
  const enrolments = useRecords((state) => state.current.enrolment);
  const students = useRecords((state) => state.current.student);
  return useMemo(() => {
    const ids = Object.values(enrolments)
      .filter((e) => !e.removed && e.sectionId === sectionId && isEnrolledOn(e, date))
      .map(({ studentId }) => studentId);
    return [...new Set(ids)]
      .flatMap((id) => {
        const student = students[id];
        return student && !student.removed ? [{ student }] : [];
      })
      .sort(byStudent(order))
      .map(({ student }) => student);
  }, [enrolments, students, sectionId, date, order]);
}

/** Where a class sits: its room plans, and who sits where in each. */
export function RoomScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const now = useNow();
  const students = useClass(sectionId, now.date);
  const current = useRecords((state) => state.current);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const [making, setMaking] = useState(false);
  const [renaming, setRenaming] = useState(false);
  const startsOn = useCountsFrom(sectionId, now);
  const plans = plansOf(current, sectionId);
  const inUse = planInUse(current, sectionId);
  const plan = plans.find(({ id }) => id === chosenId) ?? inUse?.plan ?? plans[0];
  const begin = () => {
    setMaking(true);
  };
  const choose = choicePhrase({
    name: 'choose the plan',
    value: plan?.id ?? '',
    options: plans.map(({ id, name }) => ({
      value: id,
      label: id === inUse?.plan.id ? `${name} · in use` : name,
    })),
    words: plan?.name,
    onChange: setChosenId,
  });
  return (
    <ClassPage
      sectionId={sectionId}
      page="Room"
      tools={<TakeBack about={roomHistory(sectionId)} />}
      main={plan ? undefined : { label: 'New plan', onPress: begin }}
      more={[
        {
          title: 'Room plans',
          items: [
            plan ? { label: 'New plan', note: 'Another room, or another way to sit', onPress: begin } : null,
            plan
              ? {
                  label: `Rename or remove ${plan.name}`,
                  onPress: () => {
                    setRenaming(true);
                  },
                }
              : null,
          ],
        },
      ]}
      full
    >
      {plan ? (
        <OpenPlan
          key={plan.id}
          plan={plan}
          students={students}
          since={plan.id === inUse?.plan.id ? inUse.seating.startsOn : null}
          today={now.date}
          startsOn={startsOn}
          name={plans.length > 1 ? choose : plan.name}
          renaming={renaming}
          onRenamed={() => {
            setRenaming(false);
          }}
          onRemoved={() => {
            setChosenId(null);
            setRenaming(false);
          }}
        />
      ) : (
        <Empty
          title="Nobody has a seat here yet"
          action={<Action label="New plan" kind="main" onPress={begin} />}
        >
          Put the tables as they stand in the room and everybody on a seat. Then you can tally by where they
          sit, and the watch list sees trouble that comes with a seat or a neighbour.
        </Empty>
      )}
      {making ? (
        <NewPlan
          students={students.length}
          onAccept={(name, seats) => {
            const made = { id: newId(), sectionId, name, seats, removed: false };
            const ids = students.map(({ id }) => id);
            savePlan({ ...made, places: allSeated({ seats, places: [] }, ids) }, inUse ? null : startsOn);
            setChosenId(made.id);
            setMaking(false);
          }}
          onClose={() => {
            setMaking(false);
          }}
        />
      ) : null}
    </ClassPage>
  );
}

interface OpenPlanProps {
  plan: RoomPlan;
  students: readonly Student[];
  /** In use since that day; null where it is not. */
  since: string | null;
  today: string;
  /** From which day a change counts. */
  startsOn: string;
  /** Its name, or the phrase that chooses another. */
  name: SentencePart;
  renaming: boolean;
  onRenamed: () => void;
  onRemoved: () => void;
}

function OpenPlan(props: OpenPlanProps) {
  const { plan, students, since, today, startsOn, name, renaming, onRenamed, onRemoved } = props;
  const [work, setWork] = useState<'students' | 'seats'>('students');
  const names = useMemo(() => seatNames(students), [students]);
  const places = placesOf(plan, new Set(names.keys()));
  const save = (news: Partial<RoomPlan>) => {
    savePlan({ ...plan, places, ...news }, since === null ? null : startsOn);
  };
  const when = startsOn === today ? 'today' : 'tomorrow';
  return (
    <>
      <Sentence
        parts={[
          name,
          since === null
            ? ' is not in use'
            : ` is in use ${since > today ? 'from' : 'since'} ${dayMonth(since)}`,
          `; ${places.length} of ${students.length} have a seat. A tap changes `,
          choicePhrase({
            name: 'choose what a tap changes',
            value: work,
            options: [
              { value: 'students', label: 'who sits where' },
              { value: 'seats', label: 'where seats stand' },
            ],
            onChange: setWork,
          }),
          '.',
        ]}
      />
      {since === null ? (
        <View style={{ flexDirection: 'row' }}>
          <Action
            label={`Use it from ${when}`}
            kind="main"
            onPress={() => {
              savePlan({ ...plan, places }, startsOn);
            }}
          />
        </View>
      ) : null}
      {work === 'students' ? (
        <Suspense fallback={null}>
          <Board
            plan={plan}
            places={places}
            names={names}
            onPlaces={(next) => {
              save({ places: next });
            }}
            onSeatEverybody={() => {
              save({ places: allSeated({ ...plan, places }, [...names.keys()]) });
            }}
          />
        </Suspense>
      ) : (
        <SeatsEditor
          plan={plan}
          places={places}
          names={names}
          onTap={(seat) => {
            save(withSeatChanged({ ...plan, places }, seat));
          }}
        />
      )}
      {renaming ? (
        <RenamePlan
          plan={plan}
          onName={(next) => {
            save({ name: next });
            onRenamed();
          }}
          onRemove={() => {
            makeChange(
              'room.remove',
              { id: plan.id, sectionId: plan.sectionId, removed: true },
              roomHistory(plan.sectionId),
            );
            onRemoved();
          }}
          onClose={onRenamed}
        />
      ) : null}
    </>
  );
}
