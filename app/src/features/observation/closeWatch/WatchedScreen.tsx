import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { figuresWords, runWords, valueWords } from '@slate-path/core/observation/closeWatch/words';
import { measureOf } from '@slate-path/core/observation/closeWatch/figures';
import type { StudentWatch } from '@slate-path/core/observation/closeWatch/ofStudent';
import { durationWords } from '@slate-path/core/observation/tallies/duration';
import { displayName, shortName } from '@slate-path/core/people/names';
import type { ObservationPlan } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { dayMonth, shortDay } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { choicePhrase, Sentence, type SentencePart } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { useRecords } from '../../../sync/useRecords';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { ClassPage } from '../../people/class/lazyClassPage';
import { Agreements } from './Agreements';
import { PhaseChart } from './PhaseChart';
import { Phases } from './Phases';
import { SessionResult } from './SessionResult';
import { useAllSessions, useWatched } from './useWatched';
import { WatchSummary } from './WatchSummary';

/** What came before and what followed, the most frequent first. */
function BeforeAfterLines({ watch }: { watch: StudentWatch }) {
  if (watch.beforeAfter.length === 0) return null;
  return (
    <Card style={{ gap: space(1) }}>
      <Words size="large" serif heading={2}>
        Before and after
      </Words>
      {watch.beforeAfter.slice(0, 8).map(({ before, after, count }) => (
        <View key={`${before} → ${after}`} style={{ flexDirection: 'row', gap: space(2) }}>
          <Words style={{ flex: 1 }}>{`${before || 'not said'} → ${after || 'not said'}`}</Words>
          <Words figures>{many(count, 'time')}</Words>
        </View>
      ))}
    </Card>
  );
}

interface CourseProps {
  plan: ObservationPlan;
  studentId: string;
  name: string;
  watch: StudentWatch;
}

/** Sessions by phase, as a chart or as a table. */
function Course({ plan, studentId, name, watch }: CourseProps) {
  const [asTable, setAsTable] = useState(false);
  const said = watch.phases
    .map(({ name: called, median, values }, index) =>
      median === null
        ? ''
        : `${index === 0 ? 'baseline' : called}: ${many(values.length, 'session')}, median ${valueWords(plan.method, median)}`,
    )
    .filter(Boolean)
    .join('; ');
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Over the sessions
      </Words>
      {asTable ? (
        watch.sessions.map(({ session, date, figures }) => (
          <View key={session.id} style={{ flexDirection: 'row', gap: space(3) }}>
            <Words figures style={{ width: 110 }}>
              {shortDay(date)}
            </Words>
            <Words
              style={{ flex: 1 }}
            >{`${figuresWords(figures)}; observed for ${durationWords(figures.observedSeconds)}`}</Words>
          </View>
        ))
      ) : (
        <PhaseChart
          phases={watch.phases}
          measure={measureOf(plan.method)}
          name={`${plan.name}, ${name}: ${said}`}
        />
      )}
      <Action
        label={asTable ? 'As a chart' : 'As a table'}
        name={asTable ? 'The sessions as a chart' : 'The sessions as a table'}
        onPress={() => {
          setAsTable(!asTable);
        }}
        style={{ alignSelf: 'flex-start' }}
      />
      <Phases {...{ plan, studentId }} phases={watch.phases} />
    </Card>
  );
}

/** Of whom, in how many sessions, and since when. */
function spanWords({ sessions, observedSeconds }: StudentWatch): string {
  const [first, last] = [sessions[0], sessions.at(-1)];
  if (!first || !last) return ': no session yet.';
  const days =
    first.date === last.date
      ? `on ${dayMonth(first.date)}`
      : `from ${dayMonth(first.date)} to ${dayMonth(last.date)}`;
  return `: ${many(sessions.length, 'session')} ${days}, ${durationWords(observedSeconds)} observed.`;
}

/** All sessions of what is watched, student by student: the course by phase, two observers, the summary. */
export default function WatchedScreen() {
  const { sectionId = '', planId = '' } = useLocalSearchParams<{ sectionId?: string; planId?: string }>();
  const wide = useWide();
  const { state } = useAllSessions(sectionId);
  const plan = useRecords(({ current }) => current.observationPlan[planId]);
  const students = useRecords(({ current }) => current.student);
  const watched = useWatched(plan);
  const [chosen, setChosen] = useState<string | null>(null);
  const nameOf = (id: string) => (students[id] ? displayName(students[id]) : 'Somebody');
  const ids = [...watched.keys()];
  const studentId = chosen ?? ids.find((id) => (watched.get(id)?.sessions.length ?? 0) > 0) ?? ids[0];
  const watch = studentId === undefined ? undefined : watched.get(studentId);
  if (!plan || studentId === undefined || !watch)
    return (
      <ClassPage sectionId={sectionId} page="Counts" tab="Close watch">
        {state === 'loading' ? null : (
          <Empty title="Nothing is watched here">
            What is watched closely in a lesson adds up here, session by session.
          </Empty>
        )}
      </ClassPage>
    );
  const student = students[studentId];
  const who: SentencePart =
    ids.length < 2
      ? nameOf(studentId)
      : choicePhrase({
          name: 'choose of whom',
          value: studentId,
          options: ids.map((id) => ({ value: id, label: nameOf(id) })),
          onChange: setChosen,
        });
  const name = student ? shortName(student) : 'Somebody';
  const sessions = watch.sessions.map(({ session, date }) => ({ session, date })).reverse();
  const seconds = watch.pairs.map(({ second }) => second);
  return (
    <ClassPage sectionId={sectionId} page="Counts" tab="Close watch" full>
      <View style={{ gap: space(1) }}>
        <Sentence parts={[`Close watch, “${plan.name}”, of `, who, spanWords(watch)]} />
        <Words
          size="small"
          tone="inkQuiet"
        >{`${runWords(plan)}.${plan.definition ? ` It counts when: ${plan.definition}` : ''}`}</Words>
      </View>
      {watch.sessions.length === 0 ? (
        <Empty title="No session yet">
          Begin one in a lesson, under Close watch. Each takes its own time and ends by itself.
        </Empty>
      ) : (
        <View
          key={studentId}
          style={{ flexDirection: wide ? 'row' : 'column', gap: space(4), alignItems: 'stretch' }}
        >
          <View style={{ flex: wide ? 3 : undefined, gap: space(4) }}>
            <Course {...{ plan, studentId, name, watch }} />
            <WatchSummary {...{ plan, studentId, name, watch }} />
          </View>
          <View style={{ flex: wide ? 2 : undefined, gap: space(4) }}>
            <Agreements pairs={watch.pairs} />
            <BeforeAfterLines watch={watch} />
            {sessions.map(({ session, date }) => (
              <SessionResult key={session.id} {...{ session, plan, nameOf }} day={shortDay(date)} canBeside />
            ))}
            {seconds.map((session) => (
              <SessionResult
                key={session.id}
                {...{ session, plan, nameOf }}
                day={shortDay(session.startedAt.slice(0, 10))}
              />
            ))}
          </View>
        </View>
      )}
    </ClassPage>
  );
}
