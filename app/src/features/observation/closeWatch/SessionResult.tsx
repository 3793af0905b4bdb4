import { useState } from 'react';
import { View } from 'react-native';
import { figuresOf } from '@slate-path/core/observation/closeWatch/figures';
import { asksByInterval } from '@slate-path/core/observation/closeWatch/limits';
import { figuresWords } from '@slate-path/core/observation/closeWatch/words';
import type { Observation, ObservationPlan } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Words } from '../../../parts/Words';
import { now } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';
import { space } from '../../../theme/tokens';
import { timeOf } from './times';
import { OutcomeStrip } from './OutcomeStrip';
import { SetRightSheet } from './SetRightSheet';
import { addSheet, removeSession, useEvents } from './watching';

interface SessionResultProps {
  session: Observation;
  plan: ObservationPlan | undefined;
  nameOf: (studentId: string) => string;
  /** Stands before its time, where sessions of several days stand together. */
  day?: string;
  /** A second observer's sheet can be laid beside it. */
  canBeside?: boolean;
}

/** What a session told of each who was watched, and the way to set it right. */
export function SessionResult({ session, plan, nameOf, day, canBeside }: SessionResultProps) {
  const lesson = useRecords(({ current }) => current.lesson[session.lessonId]);
  const events = useEvents(session.id);
  const [width, setWidth] = useState(300);
  const [setting, setSetting] = useState(false);
  const at = now();
  const when = [day, timeOf(session.startedAt)].filter(Boolean).join(', ');
  const title = `${plan?.name ?? 'Close watch'}, ${when}`;
  return (
    <Card style={{ gap: space(2) }}>
      <View
        onLayout={({ nativeEvent: { layout } }) => {
          setWidth(layout.width);
        }}
      >
        <Words bold>{title}</Words>
        <Words size="small" tone="inkQuiet">
          {`Observer: ${session.observer || 'not said'}${session.besideId === null ? '' : ', beside another'}`}
        </Words>
      </View>
      {session.studentIds.map((studentId) => {
        const own = events.filter((event) => event.studentId === studentId);
        const figures = figuresOf(session, own, at);
        return (
          <View key={studentId} style={{ gap: space(1) }}>
            <Words>
              <Words bold>{nameOf(studentId)}</Words>
              {`: ${figuresWords(figures)}`}
            </Words>
            {figures.kind === 'interval' ? (
              <OutcomeStrip outcomes={figures.outcomes} width={width} height={18} />
            ) : null}
          </View>
        );
      })}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(3) }}>
        {asksByInterval(session.method) || events.length > 0 ? (
          <Action
            label="Set right"
            name={`Set right: ${title}`}
            onPress={() => {
              setSetting(true);
            }}
          />
        ) : null}
        {canBeside && lesson && asksByInterval(session.method) ? (
          <Action
            label="A second sheet"
            name={`A second observer’s sheet: ${title}`}
            onPress={() => {
              addSheet(lesson, session);
            }}
          />
        ) : null}
        <Action
          label="Remove"
          name={`Remove: ${title}`}
          onPress={() => {
            removeSession(session);
          }}
        />
      </View>
      {setting ? (
        <SetRightSheet
          {...{ session, nameOf }}
          onClose={() => {
            setSetting(false);
          }}
        />
      ) : null}
    </Card>
  );
}
