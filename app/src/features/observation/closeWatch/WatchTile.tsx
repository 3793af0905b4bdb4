import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { figuresOf } from '@slate-path/core/observation/closeWatch/figures';
import { asksByInterval } from '@slate-path/core/observation/closeWatch/limits';
import { outcomesOf } from '@slate-path/core/observation/closeWatch/outcomes';
import { durationWords } from '@slate-path/core/observation/tallies/duration';
import { many } from '@slate-path/core/words/many';
import type { Observation, ObservationEvent, ObservationPlan } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { radius, space } from '../../../theme/tokens';
import { BeforeAfterSheet } from './BeforeAfterSheet';
import { OutcomeStrip } from './OutcomeStrip';
import { addEvent, answer, moment, setEvent } from './watching';

export interface WatchTileProps {
  session: Observation;
  plan: ObservationPlan | undefined;
  studentId: string;
  name: string;
  /** Away, for example; empty for nothing to say. */
  about: string;
  /** Of this student, in order of time. */
  events: readonly ObservationEvent[];
  /** The session's clock, milliseconds since 1970. */
  at: number;
  /** The interval that is asked for; null where there is none. */
  asked: number | null;
  /** Nothing can be said now: it is paused, or over. */
  isStill: boolean;
  width: number;
}

/** As high as the action that comes to stand in it. */
const headHeight = 56;

interface KeyProps {
  words: string;
  name: string;
  held?: boolean;
  disabled?: boolean;
  onTap: () => void;
}

/** A large thing to tap. */
function Key({ words, name, held = false, disabled = false, onTap }: KeyProps) {
  const palette = usePalette();
  const look = {
    flex: 1,
    minHeight: 64,
    alignItems: 'center',
    justifyContent: 'center',
    borderRadius: radius.control,
    borderWidth: held ? 0 : 1,
    borderColor: disabled ? palette.line : palette.slate,
    backgroundColor: held ? palette.slate : palette.surface,
  } as const;
  const text = (
    <Words size="name" bold={held} tone={held ? 'onSlate' : disabled ? 'inkQuiet' : 'slate'}>
      {words}
    </Words>
  );
  return disabled ? (
    <View style={look} role="button" aria-disabled aria-label={name}>
      {text}
    </View>
  ) : (
    <TapArea name={name} held={held} onTap={onTap} style={look}>
      {text}
    </TapArea>
  );
}

/** Seen or not seen, of the interval that is asked for. */
function IntervalKeys({ session, studentId, name, events, asked, isStill }: WatchTileProps) {
  const given = events.find(({ interval }) => interval === asked)?.seen ?? null;
  const key = (words: string, seen: boolean) => (
    <Key
      words={words}
      name={`${words}: ${name}`}
      held={given === seen}
      disabled={isStill || asked === null}
      onTap={() => {
        if (asked !== null) answer(session, asked, [studentId], given === seen ? null : seen);
      }}
    />
  );
  return (
    <>
      {key('Seen', true)}
      {key('Not seen', false)}
    </>
  );
}

function FrequencyKey({ session, studentId, name, events, isStill }: WatchTileProps) {
  return (
    <Key
      words={events.length === 0 ? 'Seen' : `Seen · ${events.length}`}
      name={`Seen: ${name}, ${many(events.length, 'time')} so far`}
      disabled={isStill}
      onTap={() => {
        addEvent(session, studentId);
      }}
    />
  );
}

/** What was begun and has not ended. */
const openOf = (events: readonly ObservationEvent[]) => events.findLast(({ until }) => until === null);

function DurationKey({ session, studentId, name, events, at, isStill }: WatchTileProps) {
  const open = openOf(events);
  const lasts = open ? durationWords(Math.max(0, (at - Date.parse(open.at)) / 1000)) : '';
  return (
    <Key
      words={open ? `It ended · ${lasts}` : 'It begins'}
      name={open ? `It ended: ${name}` : `It begins: ${name}`}
      held={open !== undefined}
      disabled={isStill}
      onTap={() => {
        if (open) setEvent(session, open, { until: moment() });
        else addEvent(session, studentId);
      }}
    />
  );
}

function LatencyKeys({ session, studentId, name, events, at, isStill }: WatchTileProps) {
  const [given, setGiven] = useState<string | null>(null);
  const open = events.find(({ id, until }) => id === given && until === null);
  if (!open)
    return (
      <Key
        words="Asked now"
        name={`Asked now: ${name}`}
        disabled={isStill}
        onTap={() => {
          setGiven(addEvent(session, studentId));
        }}
      />
    );
  const waits = durationWords(Math.max(0, (at - Date.parse(open.at)) / 1000));
  return (
    <>
      <Key
        words={`It begins · ${waits}`}
        name={`It begins: ${name}`}
        held
        disabled={isStill}
        onTap={() => {
          setEvent(session, open, { until: moment() });
        }}
      />
      <Key
        words="It did not"
        name={`It did not begin: ${name}`}
        disabled={isStill}
        onTap={() => {
          setGiven(null);
        }}
      />
    </>
  );
}

function keysOf(props: WatchTileProps): ReactNode {
  switch (props.session.method) {
    case 'frequency':
      return <FrequencyKey {...props} />;
    case 'duration':
      return <DurationKey {...props} />;
    case 'latency':
      return <LatencyKeys {...props} />;
    default:
      return <IntervalKeys {...props} />;
  }
}

/** The sum so far, in a few words. */
function sumWords({ session, events, at }: WatchTileProps): string {
  const figures = figuresOf(session, events, at);
  switch (figures.kind) {
    case 'frequency':
      return '';
    case 'duration':
      return figures.count === 0
        ? ''
        : `${many(figures.count, 'time')}, ${durationWords(figures.totalSeconds)} in all`;
    case 'latency':
      return figures.asked === 0 ? '' : `begun ${figures.count} of ${many(figures.asked, 'time')}`;
    case 'interval':
      return '';
  }
}

/** One of those who are watched: what is seen is tapped here. */
export function WatchTile(props: WatchTileProps) {
  const { session, plan, name, about, events, at, asked, width } = props;
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const last = events.findLast(({ seen }) => seen !== false);
  const byInterval = asksByInterval(session.method);
  const said = last ? [last.before, last.after].filter(Boolean).join(' → ') : '';
  return (
    <View
      style={{
        gap: space(1),
        padding: space(3),
        paddingTop: 0,
        borderWidth: 1,
        borderColor: palette.line,
        borderRadius: radius.card,
        backgroundColor: palette.surface,
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2), minHeight: headHeight }}>
        <Words size="name" bold lines={1} style={{ flexShrink: 1 }}>
          {name}
        </Words>
        <Words size="small" tone="inkQuiet" style={{ flex: 1 }} lines={1} figures>
          {[about, sumWords(props)].filter(Boolean).join(' · ')}
        </Words>
        {last ? (
          <Action
            label={said === '' ? 'Before, after' : 'Change'}
            name={said === '' ? `Before, after: ${name}` : `Change before and after: ${name}`}
            onPress={() => {
              setOpen(true);
            }}
          />
        ) : null}
      </View>
      <View style={{ flexDirection: 'row', gap: space(2) }}>{keysOf(props)}</View>
      {said === '' ? null : (
        <Words size="small" tone="inkQuiet" lines={1}>
          {said}
        </Words>
      )}
      {byInterval ? (
        <OutcomeStrip
          outcomes={outcomesOf(session, events, at)}
          until={(asked ?? -1) + 1}
          width={width - 2 * space(3)}
          height={18}
        />
      ) : null}
      {open && last ? (
        <BeforeAfterSheet
          {...{ session, plan, name, event: last }}
          onClose={() => {
            setOpen(false);
          }}
        />
      ) : null}
    </View>
  );
}
