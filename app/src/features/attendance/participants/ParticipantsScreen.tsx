import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { DateOrder } from '@slate-path/core/attendance/participants/moment';
import type { MeetingPlan } from '@slate-path/core/attendance/participants/planMeeting';
import type { ParticipantReading } from '@slate-path/core/attendance/participants/readParticipants';
import type { Lesson } from '@slate-path/core/records/schema';
import { plannedKey, type PlannedMark } from '@slate-path/core/attendance/roll/planMark';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { dayMonth, longDay, shortDay } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { Page } from '../../../parts/Page';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { forgetTyped } from '../../../parts/typed';
import { space } from '../../../theme/tokens';
import { ListSource } from '../../../files/lazyListSource';
import { useStudentsOf } from '../../people/class/useStudentsOf';
import { historyOf, useAllLessons } from '../lesson/lessons';
import { PlannedMarks } from '../lesson/lazyPlannedMarks';
import { ApiProblem, postFile } from '../../../sync/api';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { EntryQuestions } from './lazyEntryQuestions';
import { MoveList } from './MoveList';
import { recordList } from './recordList';
import { usePlans } from './usePlans';

const noNetwork = 'The server does not answer, and it reads the list. Nothing was changed; try again.';
const orders = [
  { value: 'day_first', label: 'The day comes first' },
  { value: 'month_first', label: 'The month comes first' },
] as const;

/** A lesson's roll from a meeting's participant list, every mark shown before it is made. */
export function ParticipantsScreen() {
  const { lessonId } = useLocalSearchParams<{ lessonId: string }>();
  const lesson = useAllLessons().find(({ id }) => id === lessonId);
  if (!lesson)
    return (
      <Page title="From a participant list" back={{ to: '/', name: 'Back to the lesson' }}>
        <Empty title="This lesson is not here">It may have been deleted or moved on another device.</Empty>
      </Page>
    );
  return <ListOfLesson key={lesson.id} lesson={lesson} />;
}

function ListOfLesson({ lesson }: { lesson: Lesson }) {
  const sections = useRecords((state) => state.current.section);
  const students = useStudentsOf(lesson.sectionId, lesson.date);
  const [source, setSource] = useState<Blob | null>(null);
  const [reading, setReading] = useState<ParticipantReading | null>(null);
  const [order, setOrder] = useState<DateOrder | null>(null);
  const [looseEmail, setLooseEmail] = useState(true);
  const [byDates, setByDates] = useState(true);
  const [answers, setAnswers] = useState<ReadonlyMap<string, string | null>>(new Map());
  const [decided, setDecided] = useState<Record<string, boolean>>({});
  const [told, setTold] = useState('');
  const [problem, setProblem] = useState<string>();
  const { plans, strangeDates, questions } = usePlans(reading, lesson, { looseEmail, byDates, answers });
  const dates = plans.map((plan) => plan.lesson.date);
  const [from, to] = [dates[0] ?? lesson.date, dates.at(-1) ?? lesson.date];
  const { state } = useView(addressOf('lessons', { from, to }));

  const read = async (file: Blob, chosen: DateOrder | null = null) => {
    setProblem(undefined);
    setSource(file);
    try {
      const { sectionId, date: lessonDate } = lesson;
      const order = chosen ?? undefined;
      setReading(await postFile(addressOf('readParticipants', { sectionId, lessonDate, order }), file));
      setOrder(chosen);
      setAnswers(new Map());
      setDecided({});
      setTold('');
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      setProblem(error.status === 0 ? noNetwork : error.detail);
    }
  };
  const pasted = `participants ${lesson.id}`;
  const isIn = (item: PlannedMark) =>
    item.fate !== 'same' && (decided[plannedKey(item)] ?? !(item.fromElsewhere && item.before !== undefined));
  const chosen = plans.flatMap(({ planned }) => planned.filter(isIn));
  const untaken = plans.some((plan) => plan.lesson.takenAt === null);
  const idle = chosen.length === 0 && !untaken && answers.size === 0;
  const record = () => {
    recordList(lesson, plans, chosen, answers, useRecords.getState().current);
    forgetTyped(pasted);
    setAnswers(new Map());
    setTold(`Recorded: ${chosen.length} ${chosen.length === 1 ? 'mark' : 'marks'}, everyone else is here.`);
  };
  const answer = (entry: string, studentId: string | null | undefined) => {
    const next = new Map(answers);
    if (studentId === undefined) next.delete(entry);
    else next.set(entry, studentId);
    setAnswers(next);
  };
  const ready = reading !== null && state !== 'loading';
  return (
    <Page
      title="From a participant list"
      note={`${sections[lesson.sectionId]?.name ?? ''}, ${longDay(lesson.date)}, ${lesson.startsAt}`}
      back={{
        to: { pathname: '/lessons/[lessonId]', params: { lessonId: lesson.id } },
        name: 'Back to the lesson',
      }}
    >
      {reading && !problem ? (
        <Card style={{ gap: space(3) }}>
          {plans.map((plan) => (
            <Words key={plan.lesson.id} bold>
              {countsOf(plan, plans.length > 1 || plan.lesson.id !== lesson.id)}
            </Words>
          ))}
          {strangeDates.length > 0 ? (
            <Words tone="clay">
              {`The class has no lesson on ${strangeDates.map(dayMonth).join(', ')}; those lines are left out.`}
            </Words>
          ) : null}
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space(2) }}>
            <Action
              label={idle ? 'Nothing to record' : 'Record'}
              kind="main"
              disabled={!ready || idle}
              onPress={record}
            />
            <Action
              label="Another list"
              onPress={() => {
                setReading(null);
              }}
            />
            <TakeBack about={historyOf(lesson)} />
          </View>
          <Words size="small" tone="inkQuiet" live>
            {told ||
              (idle
                ? 'This list changes nothing: the roll says so already.'
                : 'Nothing is saved before you record it.')}
          </Words>
          {reading.dateOrderUnsure ? (
            <Choice
              name="How dates are written"
              value={order ?? 'day_first'}
              options={orders}
              onChange={(next) => {
                if (source) void read(source, next);
              }}
            />
          ) : null}
          {dates.some((date) => date !== lesson.date) || strangeDates.length > 0 || !byDates ? (
            <TickRow name="Each line goes to the lesson of its day" ticked={byDates} onChange={setByDates}>
              <Words>Each line goes to the lesson of its day</Words>
            </TickRow>
          ) : null}
          <TickRow
            name="Dots and plus-parts of addresses do not count"
            ticked={looseEmail}
            onChange={setLooseEmail}
          >
            <Words>Dots and plus-parts of addresses do not count</Words>
          </TickRow>
        </Card>
      ) : (
        <ListSource
          name="Participant list"
          what="list"
          accept=".csv,.tsv,.txt,.xlsx"
          problem={problem}
          onRead={(list) => void read(list)}
          about={pasted}
          testID="participants"
        >
          What a meeting leaves behind: a file, or pasted lines of names, addresses or both, with times or
          without. Who is on no list is away.
        </ListSource>
      )}
      {reading && !problem ? (
        <>
          <EntryQuestions questions={questions} students={students} answers={answers} onAnswer={answer} />
          {plans.map((plan) => (
            <PlannedMarks
              key={plan.lesson.id}
              items={plan.planned}
              oneLesson={plans.length === 1}
              none="Everyone is here for all of it."
              isIn={isIn}
              onDecide={(item, decision) => {
                setDecided({ ...decided, [plannedKey(item)]: decision });
              }}
            />
          ))}
          <LeftOut leftOut={reading.leftOut} />
        </>
      ) : null}
      <MoveList
        lesson={lesson}
        onMoved={() => {
          forgetTyped(pasted);
        }}
      />
    </Page>
  );
}

function countsOf({ lesson, marks }: MeetingPlan, withDay: boolean): string {
  const count = (standing: (typeof marks)[number]['standing']) =>
    marks.filter((mark) => mark.standing === standing).length;
  const parts = [
    `${count('here')} here`,
    count('late') > 0 ? `${count('late')} late` : '',
    count('left_early') > 0 ? `${count('left_early')} left early` : '',
    `${count('away')} away`,
  ];
  return `${withDay ? `${shortDay(lesson.date)}, ${lesson.startsAt}: ` : ''}${parts.filter(Boolean).join(', ')}`;
}

/** Lines that were understood as nobody, with the reason. */
function LeftOut({ leftOut }: Pick<ParticipantReading, 'leftOut'>) {
  if (leftOut.length === 0) return null;
  return (
    <Card style={{ gap: space(1) }}>
      <Words size="large" serif heading={2}>{`Left out: ${leftOut.length}`}</Words>
      {leftOut.map(({ line, text, reason }) => (
        <Words key={line} size="small" tone="inkQuiet">
          {`Line ${line}: ${text} (${reason})`}
        </Words>
      ))}
    </Card>
  );
}
