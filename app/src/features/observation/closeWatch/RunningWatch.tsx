import { useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import type { Edit } from '@slate-path/core/changes/edit';
import {
  askedInterval,
  endOf,
  intervalsOf,
  placeOf,
  type Place,
} from '@slate-path/core/observation/closeWatch/course';
import { observationHistory } from '@slate-path/core/observation/closeWatch/history';
import { asksByInterval } from '@slate-path/core/observation/closeWatch/limits';
import { methodWords } from '@slate-path/core/observation/closeWatch/methods';
import { isMissed } from '@slate-path/core/observation/closeWatch/outcomes';
import { clockWords } from '@slate-path/core/observation/sides/clock';
import type { Observation, ObservationPlan } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Words } from '../../../parts/Words';
import { TakeBack } from '../../../sync/TakeBack';
import { usePalette, useWide } from '../../../theme/theme';
import { radius, railWidth, space } from '../../../theme/tokens';
import { useRunning } from './useRunning';
import { answer, endSession, isPaused, pause, resume, useEvents } from './watching';
import { WatchTile } from './WatchTile';

interface RunningWatchProps {
  session: Observation;
  plan: ObservationPlan | undefined;
  nameOf: (studentId: string) => string;
  /** What is to be known of a student: that they are away. */
  aboutOf: (studentId: string) => string;
}

/** Two lines: what stands below it does not move under the thumb. */
const taskHeight = 56;

const ofEvents = ({ table }: Edit) => table === 'observationEvent';

/** What the observer does now, in one sentence. */
function taskWords(session: Observation, at: number, isLastCall: boolean): string {
  const { method } = session;
  const asked = askedInterval(session, at);
  if (isPaused(session)) return 'Paused. The time stands still.';
  if (isLastCall)
    return asked === null ? 'The time is over.' : 'The time is over. The last answer can still be given.';
  if (asked !== null && isMissed(session, asked, at))
    return `${method === 'momentary' ? 'Signal' : 'Interval'} ${asked + 1} was missed: not observed.`;
  if (method === 'momentary')
    return asked === null
      ? 'Wait for the first signal.'
      : `Signal ${asked + 1} of ${intervalsOf(session)}: was it so just then?`;
  const place = placeOf(session, at);
  if (!place) return methodWords[method].about;
  if (place.isRecording) return `Interval ${place.index + 1} has ended. Write it down.`;
  return method === 'partial_interval'
    ? 'Was it seen at any time in this interval?'
    : 'Does it go on for all of this interval?';
}

/** Until the next signal, and which interval it is. */
function nextWords(session: Observation, { index, nextIn }: Place): string {
  const seconds = `${Math.ceil(nextIn / 1000)} s`;
  return session.method === 'momentary'
    ? `next in ${seconds}`
    : `${index + 1} of ${intervalsOf(session)} · ${seconds}`;
}

/** How far the present interval, or the whole session, has come. */
function Progress({ share }: { share: number }) {
  const palette = usePalette();
  return (
    <View
      style={{ height: 6, backgroundColor: palette.line }}
      role="progressbar"
      aria-label="Time of the interval"
    >
      <View
        style={{
          height: 6,
          width: `${Math.min(Math.max(share, 0), 1) * 100}%`,
          backgroundColor: palette.slate,
        }}
      />
    </View>
  );
}

/** A session that runs on this device. */
export function RunningWatch({ session, plan, nameOf, aboutOf }: RunningWatchProps) {
  const palette = usePalette();
  const wide = useWide();
  const window = useWindowDimensions();
  const { at, isFlashing, isLastCall } = useRunning(session, plan?.signal ?? 'both');
  const events = useEvents(session.id);
  const [width, setWidth] = useState(wide ? 480 : window.width - 2 * space(4));
  const paused = isPaused(session);
  const place = placeOf(session, at);
  const asked = askedInterval(session, at);
  const missed = asked !== null && isMissed(session, asked, at);
  const byInterval = asksByInterval(session.method);
  const left = Math.max(0, (endOf(session, at) - at) / 1000);
  const length = (place?.isRecording ? session.recordSeconds : (session.intervalSeconds ?? 0)) * 1000;
  const share = place && length > 0 ? 1 - place.nextIn / length : 1 - left / session.lengthSeconds;
  const unanswered = session.studentIds.filter(
    (id) =>
      !events.some((event) => event.studentId === id && event.interval === asked && event.seen !== null),
  );
  const across = wide && session.studentIds.length > 1 ? 2 : 1;
  return (
    <View style={{ flex: 1, backgroundColor: isFlashing ? palette.slate : palette.ground }}>
      <View
        style={{
          paddingHorizontal: space(4),
          paddingTop: space(3),
          gap: space(1),
          backgroundColor: isFlashing ? palette.slate : palette.surface,
        }}
      >
        <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: space(3) }}>
          <Words
            size="large"
            serif
            heading={2}
            lines={1}
            tone={isFlashing ? 'onSlate' : 'ink'}
            style={{ flex: 1 }}
          >
            {plan?.name ?? methodWords[session.method].name}
          </Words>
          <Words size="large" figures bold tone={isFlashing ? 'onSlate' : 'ink'} testID="time-left">
            {`${clockWords(left)} left`}
          </Words>
        </View>
        <View style={{ flexDirection: 'row', gap: space(3), paddingBottom: space(2), minHeight: taskHeight }}>
          <View style={{ flex: 1 }} aria-live="polite" testID="watch-task">
            <Words tone={isFlashing ? 'onSlate' : missed ? 'ember' : 'ink'} bold={missed}>
              {taskWords(session, at, isLastCall)}
            </Words>
          </View>
          {byInterval && place ? (
            <Words figures tone={isFlashing ? 'onSlate' : 'inkQuiet'}>
              {nextWords(session, place)}
            </Words>
          ) : null}
        </View>
      </View>
      <Progress share={paused ? 0 : share} />
      <ScrollView
        style={{ flex: 1 }}
        contentContainerStyle={{ padding: space(4), flexDirection: 'row', flexWrap: 'wrap', gap: space(3) }}
      >
        {session.studentIds.map((studentId) => (
          <View
            key={studentId}
            style={{
              width: across === 1 ? '100%' : (window.width - railWidth - 2 * space(4) - space(3)) / 2,
              maxWidth: 640,
            }}
            onLayout={({ nativeEvent: { layout } }) => {
              setWidth(layout.width);
            }}
          >
            <WatchTile
              {...{ session, plan, studentId, at, asked, width }}
              name={nameOf(studentId)}
              about={aboutOf(studentId)}
              events={events.filter((event) => event.studentId === studentId)}
              isStill={paused || missed || (isLastCall && asked === null)}
            />
          </View>
        ))}
        {byInterval &&
        session.studentIds.length > 1 &&
        asked !== null &&
        !missed &&
        !paused &&
        unanswered.length > 0 ? (
          <View style={{ backgroundColor: palette.surface, borderRadius: radius.control }}>
            <Action
              label={
                unanswered.length === session.studentIds.length ? 'Nobody: not seen' : 'The others: not seen'
              }
              onPress={() => {
                answer(session, asked, unanswered, false);
              }}
            />
          </View>
        ) : null}
        {plan?.definition ? (
          <Words
            tone="inkQuiet"
            size="small"
            style={{ width: '100%' }}
          >{`It counts when: ${plan.definition}`}</Words>
        ) : null}
      </ScrollView>
      <View
        style={{
          flexDirection: 'row',
          alignItems: 'center',
          gap: space(3),
          padding: space(3),
          borderTopWidth: 1,
          borderColor: palette.line,
          backgroundColor: palette.surface,
        }}
      >
        <Action
          label={paused ? 'Go on' : 'Pause'}
          kind={paused ? 'main' : 'plain'}
          onPress={() => {
            if (paused) resume(session);
            else pause(session);
          }}
        />
        <Action
          label="End it"
          name="End it: the session"
          onPress={() => {
            endSession(session);
          }}
        />
        <View style={{ flex: 1 }} />
        <TakeBack about={observationHistory(session.lessonId)} concerns={ofEvents} />
      </View>
    </View>
  );
}
