import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { isOver } from '@slate-path/core/observation/closeWatch/course';
import { observationHistory, planHistory } from '@slate-path/core/observation/closeWatch/history';
import { runWords } from '@slate-path/core/observation/closeWatch/words';
import { displayName } from '@slate-path/core/people/names';
import { listed } from '@slate-path/core/words/listed';
import type { Lesson, Observation, ObservationPlan } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import More from '../../../parts/More';
import { Words } from '../../../parts/Words';
import { now } from '../../../sync/clock';
import { makeChange } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { space } from '../../../theme/tokens';
import { isAway } from '../../attendance/lesson/isAway';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { useShownNames } from '../../attendance/lesson/useShownNames';
import { useClassRole } from '../../sharing/colleagues';
import { lastShown, show } from './ownSessions';
import { PlanForm } from './PlanForm';
import { RunningWatch } from './RunningWatch';
import { SessionResult } from './SessionResult';
import { timeOf } from './times';
import { endSession, startSession, usePlans, useSessions } from './watching';

interface WatchPanelProps {
  lesson: Lesson;
  /** Also those of the class that is on the same roll. */
  rows: readonly LessonRow[];
}

interface PlanLineProps {
  plan: ObservationPlan;
  who: string;
  onBegin: () => void;
  /** Null for whoever may observe, but not say what is watched. */
  onChange: (() => void) | null;
  onSessions: () => void;
}

/** Something that is watched: whom, how, and the tap that begins it. */
function PlanLine({ plan, who, onBegin, onChange, onSessions }: PlanLineProps) {
  return (
    <Card style={{ gap: space(1) }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
        <View style={{ flex: 1 }}>
          <Words size="name" bold>
            {plan.name}
          </Words>
          <Words>{who}</Words>
          <Words size="small" tone="inkQuiet">
            {runWords(plan)}
          </Words>
        </View>
        {onChange ? (
          <More
            name={`More: ${plan.name}`}
            title={plan.name}
            groups={[
              {
                title: 'What is watched',
                items: [
                  { label: 'Change it', note: 'Sessions that were keep how they ran.', onPress: onChange },
                  {
                    label: 'Remove it',
                    note: 'It is offered no more; its sessions stay.',
                    onPress: () => {
                      makeChange(
                        'observationPlan.remove',
                        { id: plan.id, removed: true },
                        planHistory(plan.id),
                      );
                    },
                  },
                ],
              },
            ]}
          />
        ) : null}
      </View>
      <View style={{ flexDirection: 'row', gap: space(3) }}>
        <Action label="Begin" name={`Begin: ${plan.name}`} kind="main" onPress={onBegin} />
        <Action label="All sessions" name={`All sessions: ${plan.name}`} onPress={onSessions} />
      </View>
    </Card>
  );
}

interface ElsewhereProps {
  session: Observation;
  plan: ObservationPlan | undefined;
  onBeside: () => void;
  onHere: () => void;
}

/** A session that another device runs. */
function Elsewhere({ session, plan, onBeside, onHere }: ElsewhereProps) {
  return (
    <Card style={{ gap: space(2) }}>
      <Words>{`${plan?.name ?? 'A close watch'} is on since ${timeOf(session.startedAt)} on another device (${session.observer || 'observer not said'}).`}</Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(3) }}>
        {plan ? <Action label="Observe beside it" kind="main" onPress={onBeside} /> : null}
        <Action label="Go on with it here" onPress={onHere} />
        <Action
          label="End it"
          name="End it: the session on another device"
          onPress={() => {
            endSession(session);
          }}
        />
      </View>
    </Card>
  );
}

/** Close watch in a lesson: the session that runs here, else what is watched, and the sessions that were. */
export default function WatchPanel({ lesson, rows }: WatchPanelProps) {
  const router = useRouter();
  const plans = usePlans(lesson.sectionId);
  const allPlans = useRecords(({ current }) => current.observationPlan);
  const sessions = useSessions(lesson.id);
  const students = useRecords(({ current }) => current.student);
  const isTeacher = useClassRole(lesson.sectionId) === 'teacher';
  const names = useShownNames(rows);
  const [form, setForm] = useState<ObservationPlan | 'new' | null>(null);
  const [taken, setTaken] = useState(0);
  const nameOf = (id: string) => names.get(id) ?? (students[id] ? displayName(students[id]) : 'Somebody');
  const aboutOf = (id: string) => {
    const row = rows.find(({ student }) => student.id === id);
    return row && isAway(row) ? 'away' : '';
  };
  const isOwn = ({ id }: Observation) => lastShown(id) !== undefined;
  const going = sessions.filter(({ endedAt }) => endedAt === null);
  const here = going.findLast(isOwn);
  if (here)
    return (
      <RunningWatch
        key={`${here.id} ${taken}`}
        session={here}
        plan={allPlans[here.planId]}
        {...{ nameOf, aboutOf }}
      />
    );
  const elsewhere = going.filter((session) => !isOver(session, now()));
  const ended = sessions.filter((session) => !elsewhere.includes(session)).reverse();
  if (form !== null || (plans.length === 0 && sessions.length === 0 && isTeacher))
    return (
      <ScrollView style={{ flex: 1 }} contentContainerStyle={{ padding: space(4), gap: space(3) }}>
        {plans.length === 0 ? (
          <Words tone="inkQuiet">
            A quarter of an hour of watching one to four students properly: say what counts, and the phone
            keeps the time.
          </Words>
        ) : null}
        <PlanForm
          sectionId={lesson.sectionId}
          plan={form === 'new' ? null : form}
          students={rows.map(({ student }) => ({ id: student.id, name: nameOf(student.id) }))}
          onAccept={() => {
            setForm(null);
          }}
          onCancel={
            plans.length + sessions.length > 0
              ? () => {
                  setForm(null);
                }
              : undefined
          }
        />
      </ScrollView>
    );
  return (
    <ScrollView style={{ flex: 1 }} contentContainerStyle={{ padding: space(4), gap: space(3) }}>
      {elsewhere.map((session) => (
        <Elsewhere
          key={session.id}
          session={session}
          plan={allPlans[session.planId]}
          onBeside={() => {
            const plan = allPlans[session.planId];
            if (plan) startSession(lesson, plan, session);
          }}
          onHere={() => {
            show(session.id, Date.now());
            setTaken(taken + 1);
          }}
        />
      ))}
      {plans.map((plan) => (
        <PlanLine
          key={plan.id}
          plan={plan}
          who={listed(plan.studentIds.map(nameOf))}
          onBegin={() => {
            startSession(lesson, plan);
          }}
          onChange={
            isTeacher
              ? () => {
                  setForm(plan);
                }
              : null
          }
          onSessions={() => {
            router.push({
              pathname: '/classes/[sectionId]/watched/[planId]',
              params: { sectionId: lesson.sectionId, planId: plan.id },
            });
          }}
        />
      ))}
      <View style={{ flexDirection: 'row', gap: space(3) }}>
        {isTeacher ? (
          <Action
            label="Watch something else"
            onPress={() => {
              setForm('new');
            }}
          />
        ) : null}
        <TakeBack about={observationHistory(lesson.id)} />
      </View>
      {ended.map((session) => (
        <SessionResult key={session.id} session={session} plan={allPlans[session.planId]} nameOf={nameOf} />
      ))}
    </ScrollView>
  );
}
