import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { monthSpan, nextMonth } from '@slate-path/core/calendar/localTime';
import { displayName } from '@slate-path/core/people/names';
import { rollRows } from '@slate-path/core/attendance/roll/rollRows';
import { Action } from '../../../parts/Action';
import { Empty } from '../../../parts/Empty';
import { IconAction } from '../../../parts/IconAction';
import { lazily } from '../../../parts/lazily';
import { longDay, monthName } from '../../../parts/dates';
import { Page } from '../../../parts/Page';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { rollBook, useAllLessons } from '../lesson/lessons';
import { useSectionName } from '../../../sync/sections';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { useNameOrder } from '../../../sync/nameOrder';
import { RollFiles } from '../totals/RollFiles';
import { MonthGrid } from './MonthGrid';
import type { OpenMark } from './openMark';
import { MonthList } from './MonthList';
import { useMonth } from './useMonth';

const MarkDetail = lazily(() => import('../lesson/MarkDetail'));

function MonthSteps({ month, sectionId }: { month: string; sectionId: string }) {
  const router = useRouter();
  const wide = useWide();
  const order = useNameOrder();
  const step = (by: number) => () => {
    const params = { sectionId, month: nextMonth(month, by) };
    router.replace({ pathname: '/classes/[sectionId]/months/[month]', params });
  };
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap', gap: space(1) }}>
      <IconAction name="Earlier month" icon={ChevronLeft} onPress={step(-1)} />
      <Words size="large" serif heading={2}>
        {monthName(month)}
      </Words>
      <IconAction name="Later month" icon={ChevronRight} onPress={step(1)} />
      {wide ? <View style={{ flex: 1 }} /> : null}
      <View style={{ flexDirection: 'row', gap: space(2), width: wide ? undefined : '100%' }}>
        <RollFiles sectionId={sectionId} span={monthSpan(month)} order={order} />
      </View>
    </View>
  );
}

/** A month of a class: every student's lessons as presence bars, with totals; a tap corrects one. */
export function MonthScreen() {
  const { sectionId, month } = useLocalSearchParams<{ sectionId: string; month: string }>();
  const wide = useWide();
  const router = useRouter();
  const [open, setOpen] = useState<OpenMark | null>(null);
  const className = useSectionName(sectionId);
  const { state } = useView(addressOf('month', { sectionId, month }));
  const asking = useAsking('for this month');
  const found = useMonth(sectionId, month);
  const toClass = { pathname: '/classes/[sectionId]' as const, params: { sectionId } };
  const close = () => {
    setOpen(null);
  };
  return (
    <Page
      title={className || 'Month'}
      tab={`Month, ${className}`}

      back={{ to: toClass, name: 'Back to the class' }}
      full
    >
      <MonthSteps month={month} sectionId={sectionId} />
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
    </Page>
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
