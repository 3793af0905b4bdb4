import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { attendanceSentence } from '@slate-path/core/attendance/attendanceSentence';
import { addressOf } from '@slate-path/core/api/address';
import { monthSpan, nextMonth } from '@slate-path/core/calendar/localTime';
import { displayName } from '@slate-path/core/people/names';
import { rollRows } from '@slate-path/core/attendance/roll/rollRows';
import { Action } from '../../../parts/Action';
import { Empty } from '../../../parts/Empty';
import { IconAction } from '../../../parts/IconAction';
import { lazily } from '../../../parts/lazily';
import { longDay, monthName } from '../../../parts/dates';
import { choicePhrase, Sentence } from '../../../parts/Sentence';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { useWide } from '../../../theme/theme';
import { rollBook, untakenLessons, useAllLessons } from '../lesson/lessons';
import { useNow } from '../../../sync/clock';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { useNameOrder } from '../../../sync/nameOrder';
import { ClassPage } from '../../people/class/lazyClassPage';
import { useAttendanceView } from '../attendanceViews';
import { useRollFiles } from '../totals/useRollFiles';
import { MonthGrid } from './MonthGrid';
import type { OpenMark } from './openMark';
import { MonthList } from './MonthList';
import { useMonth } from './useMonth';

const MarkDetail = lazily(() => import('../lesson/MarkDetail'));

/** Months in which the class had lessons, the latest first, and the one that is looked at. */
function useMonths(sectionId: string, shown: string): { value: string; label: string }[] {
  const { date } = useNow();
  const lessons = useAllLessons().filter((lesson) => lesson.sectionId === sectionId && lesson.date <= date);
  const months = new Set([shown, date.slice(0, 7), ...lessons.map((lesson) => lesson.date.slice(0, 7))]);
  return [...months]
    .sort()
    .reverse()
    .map((value) => ({ value, label: monthName(value) }));
}

/** A month of a class: every student's lessons as presence bars, with totals; a tap corrects one. */
export function MonthScreen() {
  const { sectionId, month } = useLocalSearchParams<{ sectionId: string; month: string }>();
  const wide = useWide();
  const router = useRouter();
  const [open, setOpen] = useState<OpenMark | null>(null);
  const { state } = useView(addressOf('month', { sectionId, month }));
  const asking = useAsking('for this month');
  const found = useMonth(sectionId, month);
  const now = useNow();
  const order = useNameOrder();
  const { group, sheet } = useRollFiles(sectionId, monthSpan(month), order);
  const close = () => {
    setOpen(null);
  };
  const goTo = (to: string) => {
    router.replace({ pathname: '/classes/[sectionId]/months/[month]', params: { sectionId, month: to } });
  };
  const phrases = {
    span: choicePhrase({
      name: 'choose the month',
      value: month,
      options: useMonths(sectionId, month),
      onChange: goTo,
    }),
    shown: useAttendanceView(sectionId, 'month', month),
    untaken: {
      name: 'catch up',
      onTap: () => {
        router.push({ pathname: '/classes/[sectionId]/days', params: { sectionId } });
      },
    },
  };
  const sentence = attendanceSentence({
    span: monthName(month),
    shown: phrases.shown.words,
    untaken: untakenLessons(found.lessons, now).length,
    totals: state === 'loading' ? null : found.rows.map(({ totals }) => totals),
  });
  return (
    <ClassPage sectionId={sectionId} page="Attendance" tab="Month" more={[group]} full>
      <View style={{ flexDirection: 'row', alignItems: 'flex-start' }}>
        <View style={{ flex: 1 }}>
          <Sentence
            parts={sentence.map((part) =>
              typeof part === 'string' ? part : { ...phrases[part.to], words: part.words },
            )}
          />
        </View>
        <IconAction
          name="Earlier month"
          icon={ChevronLeft}
          onPress={() => {
            goTo(nextMonth(month, -1));
          }}
        />
        <IconAction
          name="Later month"
          icon={ChevronRight}
          onPress={() => {
            goTo(nextMonth(month, 1));
          }}
        />
      </View>
      {found.lessons.length === 0 ? (
        <Empty
          title={`No lessons in ${monthName(month)}`}
          action={
            <Action
              label="To the timetable"
              onPress={() => {
                router.navigate('/desk');
              }}
            />
          }
        >
          Lessons stand here when the class meets on days of the term that are not off.
        </Empty>
      ) : state === 'loading' ? (
        <Words tone="inkQuiet">{asking}</Words>
      ) : wide ? (
        <MonthGrid month={found} onOpen={setOpen} />
      ) : (
        <MonthList month={found} onOpen={setOpen} />
      )}
      {open ? <Correction open={open} onClose={close} /> : null}
      {sheet}
    </ClassPage>
  );
}

/** The same form as on the roll, for one lesson of the month. */
function Correction({ open, onClose }: { open: OpenMark; onClose: () => void }) {
  const students = useRecords((state) => state.current.student);
  const enrolments = useRecords((state) => state.current.enrolment);
  const book = useRecords((state) => rollBook(state.current));
  const lesson = useAllLessons().find(({ id }) => id === open.lessonId);
  if (!lesson) return null;
  const row = rollRows(lesson, students, Object.values(enrolments), book).find(
    ({ student }) => student.id === open.studentId,
  );
  if (!row) return null;
  return (
    <Sheet
      title={displayName(row.student)}
      note={`${longDay(lesson.date)}, ${lesson.startsAt}`}
      onClose={onClose}
    >
      <MarkDetail lesson={lesson} row={row} onDone={onClose} />
    </Sheet>
  );
}
