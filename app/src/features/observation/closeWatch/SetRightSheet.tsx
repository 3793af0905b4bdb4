import { useState } from 'react';
import { View } from 'react-native';
import { observationHistory } from '@slate-path/core/observation/closeWatch/history';
import { asksByInterval } from '@slate-path/core/observation/closeWatch/limits';
import { outcomesOf, type Outcome } from '@slate-path/core/observation/closeWatch/outcomes';
import { durationWords } from '@slate-path/core/observation/tallies/duration';
import type { Observation, ObservationEvent } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { now } from '../../../sync/clock';
import { TakeBack } from '../../../sync/TakeBack';
import { space } from '../../../theme/tokens';
import { timeOf } from './times';
import { answer, removeEvent, useEvents } from './watching';

interface SetRightSheetProps {
  session: Observation;
  nameOf: (studentId: string) => string;
  onClose: () => void;
}

const outcomes: { value: Outcome; label: string }[] = [
  { value: 'seen', label: 'Seen' },
  { value: 'not_seen', label: 'Not seen' },
  { value: 'not_observed', label: 'Not observed' },
];
const seenBy: Record<Outcome, boolean | null> = { seen: true, not_seen: false, not_observed: null };

/** Each interval of one student, to be said again by somebody who knows. */
function Intervals({
  session,
  studentId,
  events,
}: {
  session: Observation;
  studentId: string;
  events: readonly ObservationEvent[];
}) {
  const own = events.filter((event) => event.studentId === studentId);
  return outcomesOf(session, own, now()).map((outcome, index) => (
    <View key={index} style={{ gap: space(1) }}>
      <Words size="small" tone="inkQuiet" figures>{`Interval ${index + 1}`}</Words>
      <Choice
        name={`Interval ${index + 1}`}
        value={outcome}
        options={outcomes}
        onChange={(value) => {
          answer(session, index, [studentId], seenBy[value], true);
        }}
      />
    </View>
  ));
}

function eventWords({ at, until, before, after }: ObservationEvent): string {
  const lasted = until === null ? '' : durationWords((Date.parse(until) - Date.parse(at)) / 1000);
  return [timeOf(at), lasted, [before, after].filter(Boolean).join(' → ')].filter(Boolean).join(', ');
}

/** Sets right what was said in a session. */
export function SetRightSheet({ session, nameOf, onClose }: SetRightSheetProps) {
  const events = useEvents(session.id);
  const [studentId, setStudentId] = useState(session.studentIds[0] ?? '');
  const own = events.filter((event) => event.studentId === studentId);
  return (
    <Sheet
      title="Set right"
      note="What is said here counts, also where the phone was locked."
      onClose={onClose}
    >
      {session.studentIds.length > 1 ? (
        <Choice
          name="Who"
          value={studentId}
          options={session.studentIds.map((value) => ({ value, label: nameOf(value) }))}
          onChange={setStudentId}
        />
      ) : null}
      {asksByInterval(session.method) ? (
        <Intervals {...{ session, studentId, events }} />
      ) : (
        own.map((event) => (
          <View key={event.id} style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
            <Words figures style={{ flex: 1 }}>
              {eventWords(event)}
            </Words>
            <Action
              label="Remove"
              name={`Remove: ${eventWords(event)}`}
              onPress={() => {
                removeEvent(session, event);
              }}
            />
          </View>
        ))
      )}
      {!asksByInterval(session.method) && own.length === 0 ? (
        <Words tone="inkQuiet">Nothing was seen.</Words>
      ) : null}
      <TakeBack about={observationHistory(session.lessonId)} />
    </Sheet>
  );
}
