import CalendarRange from 'lucide-react-native/icons/calendar-range';
import Pencil from 'lucide-react-native/icons/pencil';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { initialsOf } from '@slate-path/core/notes/forReader';
import { displayName } from '@slate-path/core/people/names';
import { listOf } from '@slate-path/core/records/records';
import type { Enrolment, Message } from '@slate-path/core/records/schema';
import { localMoment } from '@slate-path/core/calendar/zone';
import { presenceIn, studentTotals } from '@slate-path/core/attendance/roll/totals';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { longDay } from '../../../parts/dates';
import { Page } from '../../../parts/Page';
import { Words } from '../../../parts/Words';
import { lazily } from '../../../parts/lazily';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { rollBook, useAllLessons } from '../../attendance/lesson/lessons';
import { totalsWords } from '../../attendance/month/totalsWords';
import { EnrolmentForm } from '../../people/EnrolmentForm';
import { StudentNotes } from '../../notes/StudentNotes';
import { useAccount } from '../../../sync/account';
import { useNow, zoneOf } from '../../../sync/clock';
import { TakeBack } from '../../../sync/TakeBack';
import { useSectionNames } from '../../../sync/sections';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { concernName } from '../ConcernCard';
import { useWatch } from '../useWatch';
import { CheckIns } from './CheckIns';
import { pathData } from './pathData';
import { PathLanes } from './PathLanes';
import { PathWeeks } from './PathWeeks';
import { ReadersOfPath } from './ReadersOfPath';
import { Summary } from './Summary';

const StudentForm = lazily(() => import('../../people/StudentForm'));

/** One student's term: a row of weeks a class, every lesson a presence bar, with what it adds up to. */
export function PathScreen() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  const now = useNow();
  const router = useRouter();
  const isKeeper = useAccount((account) => account.isKeeper);
  const [editing, setEditing] = useState(false);
  const [timeIn, setTimeIn] = useState<Enrolment | null>(null);
  const current = useRecords((state) => state.current);
  const classNames = useSectionNames();
  const lessons = useAllLessons();
  const book = useRecords((state) => rollBook(state.current));
  const { state } = useView(addressOf('studentPath', { studentId }));
  // A lesson whose marks have not come yet would read as one in which the student was there.
  const known = state !== 'loading';
  const asking = useAsking('for this path');
  const watch = useWatch();
  const student = current.student[studentId];
  const enrolments = useMemo(
    () => listOf(current, 'enrolment').filter((e) => e.studentId === studentId),
    [current, studentId],
  );
  const levelIn = useMemo(
    () =>
      new Map(
        listOf(current, 'sweep').flatMap(({ lessonId, studentId: who, level }) =>
          who === studentId && level !== null ? [[lessonId, level] as const] : [],
        ),
      ),
    [current, studentId],
  );
  const guardians = listOf(current, 'guardian').filter((g) => g.studentId === studentId);
  const back = { to: '/people' as const, name: 'All classes' };
  if (!student)
    return (
      <Page title="Path" back={back}>
        {null}
      </Page>
    );
  const names = enrolments.map((e) => classNames[e.sectionId] ?? '').join(', ');
  const grade = student.grade ? ` · grade ${student.grade.replace(/^(grade|year)\s*/i, '')}` : '';
  const concerns = watch.concerns.flatMap(({ item, quiet }) =>
    item.studentId === studentId && !quiet ? [item] : [],
  );
  const lessonsOf = (enrolment: Enrolment) => lessons.filter((l) => l.sectionId === enrolment.sectionId);
  const zone = zoneOf(Object.values(current.school)[0]);
  const dayOf = (instant: string) => localMoment(Date.parse(instant), zone).date;
  const data = pathData({
    records: current,
    studentId,
    enrolments,
    lessons,
    book,
    zone,
    today: now.date,
    concerns,
  });
  const summaryInput = {
    name: displayName(student),
    classes: enrolments.map((enrolment) => {
      const own = lessonsOf(enrolment);
      const { taken, away, late } = studentTotals(enrolment, own, book, now);
      const missedLessons = own.flatMap((lesson) =>
        presenceIn(lesson, studentId, book)?.away ? [{ id: lesson.id, day: lesson.date }] : [],
      );
      return {
        name: classNames[enrolment.sectionId] ?? '',
        taken,
        missed: away,
        late,
        missedLessons,
      };
    }),
    items: concerns.map((item) => ({ ...item, className: classNames[item.sectionId] ?? '' })),
    cleared: watch.sections.flatMap(({ cleared }) => cleared.filter((item) => item.studentId === studentId)),
    steps: listOf(current, 'step')
      .filter((step) => step.studentId === studentId)
      .map(({ id, kind, at, text }) => ({ id, kind, day: dayOf(at), text })),
    notes: data.pins.filter(({ kind }) => kind === 'note').map(({ id, date }) => ({ id, day: date })),
  };
  const edit = (
    <Action
      label="Change"
      name={`Change ${displayName(student)}`}
      icon={Pencil}
      onPress={() => {
        setEditing(true);
      }}
    />
  );
  const tools = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
      <TakeBack about={studentId} />
      <Action
        label="A range of days"
        icon={CalendarRange}
        onPress={() => {
          router.push({ pathname: '/range', params: { studentId } });
        }}
      />
      {edit}
    </View>
  );
  return (
    <Page
      title={displayName(student)}
      tab={`Path, ${initialsOf(student)}`}
      note={names + grade}
      back={back}
      tools={tools}
    >
      {concerns.map((item) => (
        <Words key={`${item.sectionId} ${item.concern}`}>
          <Words
            bold
            tone="ember"
          >{`${concernName(item.concern)} in ${classNames[item.sectionId] ?? ''}. `}</Words>
          {item.sentence}
        </Words>
      ))}
      {known ? (
        <>
          <Card style={{ gap: space(3) }}>
            <PathLanes data={data} today={now.date} />
          </Card>
          <Summary
            studentId={studentId}
            input={summaryInput}
            kept={listOf(current, 'pathSummary').filter((summary) => summary.studentId === studentId)}
          />
        </>
      ) : (
        <Words tone="inkQuiet">{asking}</Words>
      )}
      {enrolments.map((enrolment) => {
        const own = lessonsOf(enrolment);
        const since = concerns.find((item) => item.sectionId === enrolment.sectionId)?.since ?? null;
        return (
          <Card key={enrolment.id} style={{ gap: space(3) }}>
            <View style={{ flexDirection: 'row', alignItems: 'flex-start', gap: space(2) }}>
              <View style={{ flex: 1 }}>
                <Words size="large" serif heading={2}>
                  {classNames[enrolment.sectionId] ?? ''}
                </Words>
                <Words tone="inkQuiet">
                  {known ? totalsWords(studentTotals(enrolment, own, book, now)) : ''}
                </Words>
              </View>
              <Action
                label="Time in class"
                name={`Time in class: ${classNames[enrolment.sectionId] ?? ''}`}
                kind="plain"
                onPress={() => {
                  setTimeIn(enrolment);
                }}
              />
            </View>
            {known ? (
              <PathWeeks
                enrolment={enrolment}
                lessons={own}
                book={book}
                today={now.date}
                since={since}
                levelIn={levelIn}
              />
            ) : null}
          </Card>
        );
      })}
      <StudentNotes student={student} />
      <CheckIns
        checkIns={[...listOf(current, 'checkIn'), ...listOf(current, 'otherCheckIn')].filter(
          (said) => said.studentId === studentId,
        )}
        lessons={current.lesson}
      />
      <Written messages={listOf(current, 'message').filter((m) => m.studentId === studentId)} />
      <Contacts
        email={student.email}
        guardians={guardians.map(({ id, name, relation, email, phone }) => ({
          id,
          words: [name, relation, email, phone],
        }))}
      />
      <ReadersOfPath student={student} />
      {isKeeper ? (
        <View style={{ alignItems: 'flex-start', marginLeft: -space(4) }}>
          <Action
            label="Erase everything about this student"
            kind="plain"
            onPress={() => {
              router.push({ pathname: '/students/[studentId]/erase', params: { studentId } });
            }}
          />
        </View>
      ) : null}
      {timeIn ? (
        <EnrolmentForm
          enrolment={timeIn}
          onClose={() => {
            setTimeIn(null);
          }}
        />
      ) : null}
      {editing ? (
        <StudentForm
          student={student}
          guardians={guardians}
          onClose={() => {
            setEditing(false);
          }}
        />
      ) : null}
    </Page>
  );
}

/** What was written about the student: when, to whom and why. */
function Written({ messages }: { messages: Message[] }) {
  const palette = usePalette();
  if (messages.length === 0) return null;
  return (
    <View style={{ gap: space(1), borderTopWidth: 1, borderColor: palette.line, paddingTop: space(3) }}>
      <Words bold heading={2}>
        Written
      </Words>
      {messages
        .toSorted((a, b) => (a.writtenAt < b.writtenAt ? 1 : -1))
        .map(({ id, writtenAt, toWhom, reason, subject }) => (
          <Words key={id} tone="inkQuiet">
            {`${longDay(writtenAt.slice(0, 10))}, to ${toWhom === 'student' ? 'the student' : 'the guardians'}: ${subject} (${reason})`}
          </Words>
        ))}
    </View>
  );
}

function Contacts({ email, guardians }: { email: string; guardians: { id: string; words: string[] }[] }) {
  const palette = usePalette();
  return (
    <View style={{ gap: space(1), borderTopWidth: 1, borderColor: palette.line, paddingTop: space(3) }}>
      <Words bold heading={2}>
        Addresses
      </Words>
      <Words tone="inkQuiet">{email || 'The student has no address here.'}</Words>
      {guardians.length === 0 ? <Words tone="inkQuiet">No guardian is known.</Words> : null}
      {guardians.map(({ id, words }) => (
        <Words key={id} tone="inkQuiet">
          {`Guardian: ${words.filter(Boolean).join(', ')}`}
        </Words>
      ))}
    </View>
  );
}
