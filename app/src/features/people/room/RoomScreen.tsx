import { useLocalSearchParams } from 'expo-router';
import { useCallback, useMemo, useState } from 'react';
import type { RoomPlan, Student } from '@slate-path/core/records/schema';
import { allSeated } from '@slate-path/core/people/room/placing';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { Action } from '../../../parts/Action';
import { Empty } from '../../../parts/Empty';
import { choicePhrase } from '../../../parts/Sentence';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useNow } from '../../../sync/clock';
import { useSections } from '../../../sync/sections';
import { newId } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { useAllLessons } from '../../attendance/lesson/lessons';
import { ClassPage } from '../class/lazyClassPage';
import { NewPlan } from './NewPlan';
import { OpenPlan, type PlanSheet } from './OpenPlan';
import { planInUse } from './planInUse';
import { countsFromOf, plansOf, roomHistory, savePlan, shareRoom } from './plans';
import { SharedRoomSheet } from './SharedRoomSheet';

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

/** Plans of the other classes, with the names of those. */
function usePlansElsewhere(sectionId: string): { plan: RoomPlan; className: string }[] {
  const current = useRecords((state) => state.current);
  const sections = useSections();
  return useMemo(
    () =>
      sections
        .filter(({ id, endedOn }) => id !== sectionId && endedOn === null)
        .flatMap(({ id, name }) => plansOf(current, id).map((plan) => ({ plan, className: name }))),
    [current, sections, sectionId],
  );
}

/** Where a class sits: its room plans, and who sits where in each. */
export function RoomScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const now = useNow();
  const students = useClass(sectionId, now.date);
  const current = useRecords((state) => state.current);
  const lessons = useAllLessons();
  const elsewhere = usePlansElsewhere(sectionId);
  const [chosenId, setChosenId] = useState<string | null>(null);
  const [sheet, setSheet] = useState<PlanSheet | 'new' | 'shared'>(null);
  const startsOn = useCallback((of: string) => countsFromOf(lessons, of, now), [lessons, now]);
  const plans = plansOf(current, sectionId);
  const inUse = planInUse(current, sectionId);
  const plan = plans.find(({ id }) => id === chosenId) ?? inUse?.plan ?? plans[0];
  const opens = (next: typeof sheet) => () => {
    setSheet(next);
  };
  const close = opens(null);
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
  const make = (fields: Pick<RoomPlan, 'name' | 'seats' | 'furniture' | 'roomId'>) => {
    const id = newId();
    const places = allSeated(
      { seats: fields.seats, places: [] },
      students.map((student) => student.id),
    );
    savePlan({ id, sectionId, ...fields, places, removed: false }, inUse ? null : startsOn(sectionId));
    setChosenId(id);
    close();
  };
  const shared =
    elsewhere.length === 0
      ? null
      : {
          label: 'The room of another class',
          note: 'With its seats and furniture, shared from then on',
          onPress: opens('shared'),
        };
  return (
    <ClassPage
      sectionId={sectionId}
      page="Room"
      tools={<TakeBack about={roomHistory(sectionId)} />}
      main={
        plan
          ? { label: 'Seat the class', onPress: opens('seat') }
          : { label: 'New plan', onPress: opens('new') }
      }
      more={[
        {
          title: 'Room plans',
          items: [
            plan
              ? { label: 'New plan', note: 'Another room, or another way to sit', onPress: opens('new') }
              : null,
            shared,
            plan ? { label: `Rename or remove ${plan.name}`, onPress: opens('name') } : null,
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
          sharedWith={[
            ...new Set(
              elsewhere
                .filter((other) => plan.roomId !== null && other.plan.roomId === plan.roomId)
                .map(({ className }) => className),
            ),
          ]}
          sheet={sheet === 'new' || sheet === 'shared' ? null : sheet}
          onSheet={setSheet}
          onRemoved={() => {
            setChosenId(null);
            close();
          }}
        />
      ) : (
        <Empty
          title="Nobody has a seat here yet"
          action={<Action label="New plan" kind="main" onPress={opens('new')} />}
        >
          Put the tables as they stand in the room and everybody on a seat. Then you can tally by where they
          sit, and the watch list sees trouble that comes with a seat or a neighbour.
        </Empty>
      )}
      {sheet === 'new' ? (
        <NewPlan
          students={students.length}
          onAccept={(name, seats) => {
            make({ name, seats, furniture: [], roomId: null });
          }}
          onClose={close}
        />
      ) : null}
      {sheet === 'shared' ? (
        <SharedRoomSheet
          plans={elsewhere}
          onChoose={(other) => {
            const { name, seats, furniture } = other;
            make({ name, seats, furniture, roomId: shareRoom(other) });
          }}
          onClose={close}
        />
      ) : null}
    </ClassPage>
  );
}
