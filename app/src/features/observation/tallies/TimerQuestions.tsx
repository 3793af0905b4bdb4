import { useMemo, useState } from 'react';
import { View } from 'react-native';
import type { Tally } from '@slate-path/core/records/schema';
import { durationWords } from '@slate-path/core/observation/tallies/duration';
import { tallyHistory } from '@slate-path/core/observation/tallies/history';
import { Action } from '../../../parts/Action';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { makeChange } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { DurationField } from './DurationField';
import { settleTimer } from './tallying';

interface TimerQuestionsProps {
  lessonIds: readonly string[];
  names: ReadonlyMap<string, string>;
}

/** Timers that ended with the lesson because nobody stopped them: was it so long? */
export function TimerQuestions({ lessonIds, names }: TimerQuestionsProps) {
  const palette = usePalette();
  const tallies = useRecords((state) => state.current.tally);
  const unsure = useMemo(
    () => Object.values(tallies).filter((t) => t.unsure && !t.removed && lessonIds.includes(t.lessonId)),
    [tallies, lessonIds],
  );
  if (unsure.length === 0) return null;
  return (
    <View
      role="group"
      aria-label="Timers that nobody stopped"
      style={{
        paddingHorizontal: space(4),
        paddingVertical: space(2),
        gap: space(2),
        borderBottomWidth: 1,
        borderColor: palette.line,
        backgroundColor: palette.surface,
      }}
    >
      {unsure.map((tally) => (
        <Question
          key={tally.id}
          tally={tally}
          name={tally.studentId === null ? 'The whole class' : (names.get(tally.studentId) ?? '')}
        />
      ))}
    </View>
  );
}

function Question({ tally, name }: { tally: Tally; name: string }) {
  const lookFor = useRecords((state) => state.current.lookFor[tally.lookForId]?.name ?? '');
  const [correcting, setCorrecting] = useState(false);
  const seconds = tally.amount ?? 0;
  const what = `${lookFor}, ${name}`;
  return (
    <View style={{ gap: space(1) }}>
      <Words>{`${what}: nobody stopped it, so it ended with the lesson after ${durationWords(seconds)}. Was it so long?`}</Words>
      {correcting ? (
        <DurationField
          label={what}
          from={seconds}
          most={seconds}
          onAccept={(to) => {
            settleTimer(tally, Math.max(to, 1));
          }}
        />
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
          <Action
            label="It was"
            name={`${what}: it was so long`}
            onPress={() => {
              settleTimer(tally, seconds);
            }}
          />
          <Action
            label="Shorter"
            name={`${what}: it was shorter`}
            onPress={() => {
              setCorrecting(true);
            }}
          />
          <Action
            label="Take it out"
            name={`${what}: take it out`}
            onPress={() => {
              const { id, lessonId } = tally;
              makeChange('tally.remove', { id, lessonId }, tallyHistory(lessonId));
            }}
          />
        </View>
      )}
    </View>
  );
}
