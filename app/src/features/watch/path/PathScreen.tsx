import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState, type ReactNode } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import { studentTotals } from '@slate-path/core/attendance/roll/totals';
import { localMoment } from '@slate-path/core/calendar/zone';
import { initialsOf } from '@slate-path/core/notes/forReader';
import { displayName } from '@slate-path/core/people/names';
import { listOf } from '@slate-path/core/records/records';
import type { Enrolment, Student } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { studentSentence } from '@slate-path/core/watch/studentSentence';
import { Card } from '../../../parts/Card';
import { Page } from '../../../parts/Page';
import { Sentence } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { lazily } from '../../../parts/lazily';
import { useAccount } from '../../../sync/account';
import { useNow, zoneOf } from '../../../sync/clock';
import { useSectionNames } from '../../../sync/sections';
import { TakeBack } from '../../../sync/TakeBack';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { rollBook, useAllLessons } from '../../attendance/lesson/lessons';
import { StudentNotes } from '../../notes/lazyPages';
import { useNotesAbout } from '../../notes/ties';
import { EnrolmentForm } from '../../people/EnrolmentForm';
import { ContactTab } from '../../contact/lazyPages';
import { PagesOfStudent } from '../../sharing/lazyPages';
import { concernName } from '../concernName';
import { useWatch, type Shown } from '../useWatch';
import { pathData, type PathInput } from './pathData';
import { PathLanes } from './PathLanes';
import { ReadersOfPath } from './ReadersOfPath';
import { Record } from './Record';
import { studentTabOf, studentTabs, type StudentTab } from './studentTabs';
import { Summary } from './Summary';
import { summaryInput } from './summaryInput';

const ActSheet = lazily(() => import('../ActSheet'));
const StudentWork = lazily(async () => ({ default: (await import('../../work/pages')).StudentWork }));
const StudentForm = lazily(() => import('../../people/StudentForm'));

/** One student: the path of the term, the record, notes, where they are reached, who else sees it. */
export function PathScreen() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  const student = useRecords((state) => state.current.student[studentId]);
  return student ? (
    <StudentPages student={student} />
  ) : (
    <Page title="Path" back={back}>
      {null}
    </Page>
  );
}

const back = { to: '/people' as const, name: 'All classes' };

type Open = { form: 'change' | 'act' } | { form: 'time'; enrolment: Enrolment } | null;

function StudentPages({ student }: { student: Student }) {
  const studentId = student.id;
  const { page } = useLocalSearchParams<{ page?: string }>();
  const tab = studentTabOf(page);
  const router = useRouter();
  const wide = useWide();
  const isKeeper = useAccount((account) => account.isKeeper);
  const classNames = useSectionNames();
  const [open, setOpen] = useState<Open>(null);
  const { state, answer } = useView(addressOf('studentPath', { studentId }));
  const asking = useAsking('for this path');
  const watch = useWatch();
  const current = useRecords((records) => records.current);
  const enrolments = useMemo(
    () => listOf(current, 'enrolment').filter((e) => e.studentId === studentId),
    [current, studentId],
  );
  const shown = watch.concerns.filter(({ item, quiet }) => item.studentId === studentId && !quiet);
  const concerns = shown.map(({ item }) => item);
  const [first, ...others] = shown;
  const name = displayName(student);
  const close = () => {
    setOpen(null);
  };
  const goTo = (to: StudentTab) => {
    router.setParams({ page: to === 'path' ? undefined : to });
  };
  const onTimeIn = (enrolment: Enrolment) => {
    setOpen({ form: 'time', enrolment });
  };
  const inClasses =
    wide || enrolments.length === 1
      ? enrolments.map((e) => classNames[e.sectionId] ?? '').join(', ')
      : many(enrolments.length, 'class', 'classes');
  const grade = student.grade ? `grade ${student.grade.replace(/^(grade|year)\s*/i, '')}` : '';
  // A lesson whose marks have not come yet would read as one in which the student was there.
  const known = state !== 'loading';
  const pages: { [tab in StudentTab]: ReactNode } = {
    path: known ? (
      <>
        <HowItGoes student={student} enrolments={enrolments} concerns={shown} onOpen={goTo} />
        <PathAndSummary
          student={student}
          enrolments={enrolments}
          concerns={shown}
          elsewhere={answer?.elsewhere ?? []}
        />
      </>
    ) : (
      <Words tone="inkQuiet">{asking}</Words>
    ),
    record: known ? (
      <Record studentId={studentId} enrolments={enrolments} concerns={concerns} onTimeIn={onTimeIn} />
    ) : (
      <Words tone="inkQuiet">{asking}</Words>
    ),
    work: <StudentWork studentId={studentId} enrolments={enrolments} />,
    notes: <StudentNotes student={student} />,
    contact: <ContactTab student={student} />,
    shared: (
      <>
        <PagesOfStudent student={student} />
        <ReadersOfPath student={student} />
      </>
    ),
  };
  return (
    <Page
      title={name}
      tab={`${studentTabs[tab]}, ${initialsOf(student)}`}
      note={[inClasses, grade].filter(Boolean).join(' · ')}
      back={back}
      tools={<TakeBack about={studentId} />}
      main={
        first && {
          label: 'Act',
          name: `Act on ${name}`,
          about: `${concernName(first.item.concern)} in ${classNames[first.item.sectionId] ?? ''}`,
          onPress: () => {
            setOpen({ form: 'act' });
          },
        }
      }
      acts={[
        {
          label: 'Change',
          name: `Change ${name}`,
          ...(wide ? {} : { note: 'Name, grade, addresses, guardians' }),
          onPress: () => {
            setOpen({ form: 'change' });
          },
        },
      ]}
      more={[
        {
          title: 'Many days at once',
          items: [
            {
              label: 'A range of days',
              note: 'Away for a week, known beforehand',
              onPress: () => {
                router.push({ pathname: '/range', params: { studentId } });
              },
            },
          ],
        },
        {
          title: 'For good',
          items: [
            isKeeper
              ? {
                  label: 'Erase everything about this student',
                  note: 'What it takes along is shown first',
                  onPress: () => {
                    router.push({ pathname: '/students/[studentId]/erase', params: { studentId } });
                  },
                }
              : null,
          ],
        },
      ]}
      tabs={{
        name: 'Pages of the student',
        items: (Object.keys(studentTabs) as StudentTab[]).map((to) => ({
          label: studentTabs[to],
          chosen: to === tab,
          onTap: () => {
            goTo(to);
          },
        })),
      }}
    >
      {pages[tab]}
      {open?.form === 'time' ? <EnrolmentForm enrolment={open.enrolment} onClose={close} /> : null}
      {open?.form === 'act' && first ? <ActSheet shown={[first, ...others]} onClose={close} /> : null}
      {open?.form === 'change' ? (
        <StudentForm
          student={student}
          guardians={listOf(current, 'guardian').filter((g) => g.studentId === studentId)}
          onClose={close}
        />
      ) : null}
    </Page>
  );
}

interface OfStudent {
  student: Student;
  enrolments: readonly Enrolment[];
  concerns: readonly Shown[];
}

/** The student's sentence, and each concern with its own. */
function HowItGoes({
  student,
  enrolments,
  concerns,
  onOpen,
}: OfStudent & { onOpen: (tab: StudentTab) => void }) {
  const now = useNow();
  const lessons = useAllLessons();
  const classNames = useSectionNames();
  const book = useRecords((state) => rollBook(state.current));
  const notes = useNotesAbout(student.id).length;
  const totals = enrolments.map((enrolment) =>
    studentTotals(
      enrolment,
      lessons.filter((lesson) => lesson.sectionId === enrolment.sectionId),
      book,
      now,
    ),
  );
  const { state } = useWatch();
  const sum = (of: 'taken' | 'away' | 'late') => totals.reduce((all, one) => all + one[of], 0);
  const sentence = studentSentence({
    ...{ taken: sum('taken'), missed: sum('away'), late: sum('late') },
    notes,
    concerns: state === 'loading' ? null : concerns.length,
  });
  return (
    <>
      <Sentence
        parts={sentence.map((part) =>
          typeof part === 'string'
            ? part
            : {
                words: part.words,
                name: part.to === 'record' ? 'open the record' : 'open the notes',
                onTap: () => {
                  onOpen(part.to);
                },
              },
        )}
      />
      {concerns.map(({ item }) => (
        <Words key={`${item.sectionId} ${item.concern}`}>
          <Words bold tone="ember">
            {`${concernName(item.concern)} in ${classNames[item.sectionId] ?? ''}. `}
          </Words>
          {item.sentence}
        </Words>
      ))}
    </>
  );
}

function PathAndSummary({
  student,
  enrolments,
  concerns,
  elsewhere,
}: OfStudent & Pick<PathInput, 'elsewhere'>) {
  const now = useNow();
  const lessons = useAllLessons();
  const classNames = useSectionNames();
  const current = useRecords((state) => state.current);
  const book = useRecords((state) => rollBook(state.current));
  const { sections } = useWatch();
  const zone = zoneOf(Object.values(current.school)[0]);
  const studentId = student.id;
  const items = concerns.map(({ item }) => item);
  const data = pathData({
    ...{ records: current, studentId, enrolments, lessons, book, zone },
    today: now.date,
    concerns: items,
    elsewhere,
  });
  return (
    <>
      <Card style={{ gap: space(3) }}>
        <PathLanes data={data} today={now.date} />
      </Card>
      <Summary
        studentId={studentId}
        input={summaryInput({
          ...{ student, enrolments, lessons, book, now, classNames },
          items,
          cleared: sections.flatMap(({ cleared }) => cleared.filter((item) => item.studentId === studentId)),
          steps: listOf(current, 'step').filter((step) => step.studentId === studentId),
          notes: data.pins.filter(({ kind }) => kind === 'note').map(({ id, date }) => ({ id, day: date })),
          dayOf: (instant) => localMoment(Date.parse(instant), zone).date,
        })}
        kept={listOf(current, 'pathSummary').filter((summary) => summary.studentId === studentId)}
      />
    </>
  );
}
