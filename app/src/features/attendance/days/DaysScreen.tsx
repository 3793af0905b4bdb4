import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { displayName } from '@slate-path/core/people/names';
import type { Lesson, Student } from '@slate-path/core/records/schema';
import { rollRows } from '@slate-path/core/attendance/roll/rollRows';
import { many } from '@slate-path/core/words/many';
import { wasHeld } from '@slate-path/core/attendance/roll/totals';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { shortDay } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { IconAction } from '../../../parts/IconAction';
import { choicePhrase, Sentence } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { rollBook, useAllLessons } from '../lesson/lessons';
import { takeAllHere } from '../lesson/marking';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useNow } from '../../../sync/clock';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { ClassPage } from '../../people/class/lazyClassPage';
import { useAttendanceView } from '../attendanceViews';
import { DayMark } from './DayMark';
import { dayWidth } from './dayWidth';
import { useGridKeys } from './useGridKeys';

const nameWidth = 190;

const filters = [
  { value: 'untaken', label: 'Those not taken' },
  { value: 'all', label: 'All lessons' },
] as const;

/** Everyone who is on the roll of one of these lessons, in the order of names. */
function useStudents(lessons: readonly Lesson[]): Student[] {
  const current = useRecords((state) => state.current);
  const order = useNameOrder();
  const found = new Map<string, { student: Student }>();
  for (const lesson of lessons)
    for (const row of rollRows(lesson, current.student, Object.values(current.enrolment), rollBook(current)))
      found.set(row.student.id, row);
  return [...found.values()].sort(byStudent(order)).map(({ student }) => student);
}

function DayHeading({ lesson }: { lesson: Lesson }) {
  const state = lesson.setAside ? 'set aside' : lesson.takenAt ? 'taken' : 'not taken';
  return (
    <View style={{ width: dayWidth, padding: space(2), gap: space(1), alignItems: 'center' }}>
      <Words bold figures>
        {shortDay(lesson.date)}
      </Words>
      <Words size="small" tone="inkQuiet" figures>{`${lesson.startsAt}, ${state}`}</Words>
      {lesson.takenAt === null && !lesson.setAside ? (
        <Action
          label="All here"
          name={`All here, ${shortDay(lesson.date)}`}
          onPress={() => {
            takeAllHere(lesson);
          }}
        />
      ) : (
        <TakeBack about={lesson.id} />
      )}
    </View>
  );
}

/** Several lessons of a class beside each other, with the roll's own taps: to catch up, and to compare. */
export function DaysScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const palette = usePalette();
  const wide = useWide();
  const now = useNow();
  const [chosen, setChosen] = useState<'untaken' | 'all' | null>(null);
  // What is caught up stays in its place, so that a slip can be put right beside the others.
  const [begunWith, setBegunWith] = useState<ReadonlySet<string> | null>(null);
  const [page, setPage] = useState(0);
  const held = useAllLessons().filter((l) => l.sectionId === sectionId && wasHeld(l, now));
  const open = held.filter((l) => !l.takenAt && !l.setAside);
  const kept = begunWith ?? new Set(open.map(({ id }) => id));
  // With nothing to catch up the last lessons are what one comes for.
  const filter = chosen ?? (kept.size > 0 ? 'untaken' : 'all');
  const wanted = filter === 'all' ? held : held.filter(({ id }) => kept.has(id));
  const count = wide ? 5 : 1;
  const end = Math.max(wanted.length - page * count, Math.min(count, wanted.length));
  const lessons = wanted.slice(Math.max(end - count, 0), end);
  const from = lessons[0]?.date ?? now.date;
  const to = lessons.at(-1)?.date ?? now.date;
  useView(addressOf('lessons', { from, to }));
  const students = useStudents(lessons);
  useGridKeys(lessons, students);
  const first = end - count <= 0;
  const view = useAttendanceView(sectionId, 'days', now.date.slice(0, 7));
  const which = choicePhrase({
    name: 'choose the lessons',
    value: filter,
    options: filters,
    onChange: (value) => {
      setBegunWith(new Set(open.map(({ id }) => id)));
      setChosen(value);
      setPage(0);
    },
  });
  return (
    <ClassPage sectionId={sectionId} page="Attendance" tab="Days" full>
      <View style={{ flexDirection: 'row', alignItems: 'flex-start' }}>
        <View style={{ flex: 1 }}>
          <Sentence
            parts={[
              open.length === 0
                ? 'Every lesson so far is taken. '
                : `${many(open.length, 'lesson')} ${open.length === 1 ? 'is' : 'are'} not taken. `,
              which,
              ', shown ',
              view,
              '.',
            ]}
          />
        </View>
        <IconAction
          name="Earlier lessons"
          icon={ChevronLeft}
          disabled={first}
          onPress={() => {
            setBegunWith(kept);
            setPage(page + 1);
          }}
        />
        <IconAction
          name="Later lessons"
          icon={ChevronRight}
          disabled={page === 0}
          onPress={() => {
            setPage(page - 1);
          }}
        />
      </View>
      {lessons.length === 0 ? (
        <Empty title="Nothing to catch up">
          Lessons that are over and whose roll nobody took stand here beside each other.
        </Empty>
      ) : (
        <Words tone="inkQuiet">
          Tap who was away; everyone else was there. The first mark takes the roll.
        </Words>
      )}
      {lessons.length === 0 ? null : (
        <Card style={{ padding: 0, alignSelf: 'flex-start', maxWidth: '100%' }}>
          <View style={{ flexDirection: 'row', borderBottomWidth: 2, borderColor: palette.line }}>
            <View style={{ width: nameWidth }} />
            {lessons.map((lesson) => (
              <DayHeading key={lesson.id} lesson={lesson} />
            ))}
          </View>
          {students.map((student) => (
            <View
              key={student.id}
              style={{
                flexDirection: 'row',
                borderBottomWidth: 1,
                borderColor: palette.line,
                alignItems: 'center',
              }}
            >
              <View style={{ width: nameWidth, paddingLeft: space(4) }}>
                <Words lines={1}>{displayName(student)}</Words>
              </View>
              {lessons.map((lesson) => (
                <DayMark
                  key={lesson.id}
                  lesson={lesson}
                  student={student}
                  now={now}
                  onMark={() => {
                    setBegunWith(kept);
                  }}
                />
              ))}
            </View>
          ))}
        </Card>
      )}
    </ClassPage>
  );
}
