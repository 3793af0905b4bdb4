import Ellipsis from 'lucide-react-native/icons/ellipsis';
import Plus from 'lucide-react-native/icons/plus';
import { useLocalSearchParams } from 'expo-router';
import { lazy, Suspense, useMemo, useState } from 'react';
import { View } from 'react-native';
import type { RoomPlan, Student } from '@slate-path/core/records/schema';
import { allSeated, placesOf, withSeatChanged } from '@slate-path/core/people/room/placing';
import { seatNames } from '@slate-path/core/people/room/seatNames';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { dayMonth } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { IconAction } from '../../../parts/IconAction';
import { Page } from '../../../parts/Page';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useNow } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
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
  const startsOn = useCountsFrom(sectionId, now);
  const section = current.section[sectionId];
  const plans = plansOf(current, sectionId);
  const inUse = planInUse(current, sectionId);
  const plan = plans.find(({ id }) => id === chosenId) ?? inUse?.plan ?? plans[0];
  const make = (
    <Action
      label="New plan"
      icon={Plus}
      kind={plan ? 'outlined' : 'main'}
      onPress={() => {
        setMaking(true);
      }}
    />
  );
  return (
    <Page
      title="Room plan"
      tab={`Room plan, ${section?.name ?? ''}`}
      note={[section?.name, section?.room].filter(Boolean).join(' · ')}
      back={{ to: { pathname: '/classes/[sectionId]', params: { sectionId } }, name: 'Back to the class' }}
      tools={
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
          {plan ? make : null}
          <TakeBack about={roomHistory(sectionId)} />
        </View>
      }
      full
    >
      {plans.length > 1 ? (
        <Choice
          name="Room plan"
          value={plan?.id ?? ''}
          options={plans.map(({ id, name }) => ({
            value: id,
            label: id === inUse?.plan.id ? `${name} · in use` : name,
          }))}
          onChange={setChosenId}
        />
      ) : null}
      {plan ? (
        <OpenPlan
          key={plan.id}
          plan={plan}
          students={students}
          since={plan.id === inUse?.plan.id ? inUse.seating.startsOn : null}
          today={now.date}
          startsOn={startsOn}
          onRemoved={() => {
            setChosenId(null);
          }}
        />
      ) : (
        <Empty title="Nobody has a seat here yet" action={make}>
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
    </Page>
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
  onRemoved: () => void;
}

function OpenPlan({ plan, students, since, today, startsOn, onRemoved }: OpenPlanProps) {
  const [work, setWork] = useState<'students' | 'seats'>('students');
  const [renaming, setRenaming] = useState(false);
  const names = useMemo(() => seatNames(students), [students]);
  const places = placesOf(plan, new Set(names.keys()));
  const save = (news: Partial<RoomPlan>) => {
    savePlan({ ...plan, places, ...news }, since === null ? null : startsOn);
  };
  const when = startsOn === today ? 'today' : 'tomorrow';
  const use = since === null ? 'Not in use' : `In use since ${dayMonth(since)}`;
  return (
    <>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
        <View style={{ flex: 1 }}>
          <Words size="large" serif heading={2}>
            {plan.name}
          </Words>
          <Words tone="inkQuiet" testID="room-use">
            {`${since !== null && since > today ? `In use from ${dayMonth(since)}` : use} · ${places.length} of ${students.length} have a seat`}
          </Words>
        </View>
        <IconAction
          name={`Rename or remove ${plan.name}`}
          icon={Ellipsis}
          onPress={() => {
            setRenaming(true);
          }}
        />
      </View>
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
      <Choice
        name="What to change"
        value={work}
        options={[
          { value: 'students', label: 'Who sits where' },
          { value: 'seats', label: 'Where seats stand' },
        ]}
        onChange={setWork}
      />
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
          onName={(name) => {
            save({ name });
            setRenaming(false);
          }}
          onRemove={() => {
            makeChange(
              'room.remove',
              { id: plan.id, sectionId: plan.sectionId, removed: true },
              roomHistory(plan.sectionId),
            );
            onRemoved();
          }}
          onClose={() => {
            setRenaming(false);
          }}
        />
      ) : null}
    </>
  );
}
