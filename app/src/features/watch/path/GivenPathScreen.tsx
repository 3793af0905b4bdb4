import { useLocalSearchParams } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { rollBookOf } from '@slate-path/core/attendance/roll/book';
import { studentTotals } from '@slate-path/core/attendance/roll/totals';
import { localMoment } from '@slate-path/core/calendar/zone';
import { initialsOf } from '@slate-path/core/notes/forReader';
import { displayName } from '@slate-path/core/people/names';
import { listOf, mergeRecords, type Records } from '@slate-path/core/records/records';
import { Card } from '../../../parts/Card';
import { dayMonth, longDay } from '../../../parts/dates';
import { Page } from '../../../parts/Page';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { totalsWords } from '../../attendance/month/totalsWords';
import { taughtWords } from '../../sharing/taughtWords';
import { useNow, zoneOf } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { CheckIns } from './CheckIns';
import { pathData } from './pathData';
import { PathLanes } from './PathLanes';
import { PathWeeks } from './PathWeeks';

type Granted = AnswerOf<'grantedPath'>;

const back = { to: '/given', name: 'Back to the paths given to you' } as const;

/** The whole path of a student, as whoever it was given to reads it. */
export function GivenPathScreen() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  const { state, answer } = useView(addressOf('grantedPath', { studentId }));
  // The list of what is given is kept up to date too: what is taken back leaves the device at once.
  useView(addressOf('pathGrants'));
  if (state === 'missing')
    return (
      <Page title="Path" back={back}>
        <Words>This path is not given to you, or not any more. Its teachers decide who reads it.</Words>
      </Page>
    );
  if (!answer)
    return (
      <Page title="Path" back={back}>
        <Words tone="inkQuiet">Asking the server for this path.</Words>
      </Page>
    );
  return <GivenPath granted={answer} studentId={studentId} />;
}

/** What was given, beside what the school shares with everybody; nothing of it stays among the reader's own records. */
function recordsOf(own: Records, { path }: Granted): Records {
  return mergeRecords({ ...own }, path);
}

function GivenPath({ granted, studentId }: { granted: Granted; studentId: string }) {
  const now = useNow();
  const own = useRecords((state) => state.current);
  const records = useMemo(() => recordsOf(own, granted), [own, granted]);
  const book = useMemo(
    () =>
      rollBookOf({
        marks: records.mark,
        standings: Object.values(records.standing),
        sections: Object.values(records.section),
        school: Object.values(records.school)[0],
      }),
    [records],
  );
  const student = records.student[studentId];
  if (!student) return null;
  const { classes, path, elsewhere, grantedBy, since } = granted;
  const zone = zoneOf(Object.values(records.school)[0]);
  const lessons = path.lesson
    .filter(({ removed }) => !removed)
    .toSorted((a, b) => (a.date + a.startsAt < b.date + b.startsAt ? -1 : 1));
  const enrolments = path.enrolment.filter(({ removed }) => !removed);
  const input = {
    records,
    studentId,
    enrolments,
    lessons,
    book,
    zone,
    today: now.date,
    concerns: [],
    elsewhere,
  };
  const data = pathData(input);
  const levelIn = new Map(
    path.sweep.flatMap(({ lessonId, level }) => (level === null ? [] : [[lessonId, level] as const])),
  );
  return (
    <Page
      title={displayName(student)}
      tab={`Path, ${initialsOf(student)}`}
      note={`Given by ${grantedBy} on ${dayMonth(since.slice(0, 10))}`}
      back={back}
    >
      <Card style={{ gap: space(3) }}>
        <PathLanes
          data={{ ...data, pins: data.pins.map((pin) => ({ ...pin, noteId: null })) }}
          today={now.date}
        />
      </Card>
      {enrolments.map((enrolment) => {
        const taught = classes.find(({ sectionId }) => sectionId === enrolment.sectionId);
        const theirs = lessons.filter(({ sectionId }) => sectionId === enrolment.sectionId);
        return (
          <Card key={enrolment.id} style={{ gap: space(3) }}>
            <View>
              <Words size="large" serif heading={2}>
                {taught ? taughtWords(taught) : ''}
              </Words>
              <Words tone="inkQuiet">{totalsWords(studentTotals(enrolment, theirs, book, now))}</Words>
            </View>
            <PathWeeks
              enrolment={enrolment}
              lessons={theirs}
              book={book}
              today={now.date}
              since={null}
              levelIn={levelIn}
              closed
            />
          </Card>
        );
      })}
      <Told granted={granted} dayOf={(instant) => localMoment(Date.parse(instant), zone).date} />
      <CheckIns checkIns={[...path.checkIn, ...path.otherCheckIn]} lessons={records.lesson} />
      <Addresses records={records} email={student.email} />
    </Page>
  );
}

/** What was noted and done, the latest first, and by whom. */
function Told({ granted, dayOf }: { granted: Granted; dayOf: (instant: string) => string }) {
  const { path, writers, classes } = granted;
  const className = (id: string | null) => classes.find(({ sectionId }) => sectionId === id)?.name;
  const told = [
    ...path.note.map(({ id, at, text, sectionId }) => ({ id, at, text, sectionId })),
    ...path.step.map(({ id, at, kind, text, sectionId }) => ({
      ...{ id, at, sectionId },
      text: text ? `${kind}: ${text}` : kind,
    })),
  ].toSorted((a, b) => (a.at < b.at ? 1 : -1));
  if (told.length === 0) return null;
  return (
    <View style={{ gap: space(2) }}>
      <Words size="large" serif heading={2}>
        {`Noted and done: ${told.length}`}
      </Words>
      {told.map(({ id, at, text, sectionId }) => (
        <Card key={id} style={{ gap: space(1), paddingVertical: space(3) }}>
          <Words size="small" tone="inkQuiet">
            {[longDay(dayOf(at)), className(sectionId), writers[id]].filter(Boolean).join(' · ')}
          </Words>
          <Words>{text}</Words>
        </Card>
      ))}
    </View>
  );
}

function Addresses({ records, email }: { records: Records; email: string }) {
  const palette = usePalette();
  const guardians = listOf(records, 'guardian');
  if (!email && guardians.length === 0) return null;
  return (
    <View style={{ gap: space(1), borderTopWidth: 1, borderColor: palette.line, paddingTop: space(3) }}>
      <Words bold heading={2}>
        Addresses
      </Words>
      {email ? <Words tone="inkQuiet">{email}</Words> : null}
      {guardians.map(({ id, name, relation, email: address, phone }) => (
        <Words key={id} tone="inkQuiet">
          {`Guardian: ${[name, relation, address, phone].filter(Boolean).join(', ')}`}
        </Words>
      ))}
    </View>
  );
}
