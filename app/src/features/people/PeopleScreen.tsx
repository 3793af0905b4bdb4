import Plus from 'lucide-react-native/icons/plus';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addDays } from '@slate-path/core/calendar/localTime';
import { listOf } from '@slate-path/core/records/records';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { Action } from '../../parts/Action';
import { inColumns } from '../../parts/arrange';
import { Card } from '../../parts/Card';
import { dayMonth } from '../../parts/dates';
import { Empty } from '../../parts/Empty';
import { Page } from '../../parts/Page';
import { Words } from '../../parts/Words';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { useAllLessons } from '../attendance/lesson/lessons';
import { useNow } from '../../sync/clock';
import { useSections, type ShownSection } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';
import { weekdayNames } from '@slate-path/core/calendar/weekdays';
import { GivenLine } from '../sharing/GivenLine';
import { useWatch } from '../watch/useWatch';
import { FindStudent } from './FindStudent';
import { SectionRow } from './SectionRow';
import { SectionForm } from './lazySectionForm';

/** The classes, each with its size and its times, and everybody in them. */
export function PeopleScreen() {
  const router = useRouter();
  const wide = useWide();
  const now = useNow();
  const [adding, setAdding] = useState(false);
  const current = useRecords((state) => state.current);
  const lessons = useAllLessons();
  const sections = useSections();
  const going = sections.filter(({ endedOn }) => endedOn === null);
  const over = sections.filter(({ endedOn }) => endedOn !== null);
  const enrolments = listOf(current, 'enrolment');
  const meetings = listOf(current, 'meeting').filter((m) => !m.validUntil || m.validUntil >= now.date);
  const add = () => {
    setAdding(true);
  };
  const { concerns } = useWatch();
  const needsOf = (sectionId: string) =>
    new Set(
      concerns.flatMap(({ item, quiet }) =>
        item.sectionId === sectionId && quiet === null ? [item.studentId] : [],
      ),
    ).size;
  const daysOf = (sectionId: string) => {
    const days = meetings.filter((m) => m.sectionId === sectionId).map((m) => m.weekday);
    const named = [...new Set(days)].sort().map((day) => weekdayNames[day - 1]?.slice(0, 3));
    if (named.length > 0) return named.join(', ');
    const taken = Object.values(current.lesson).some(
      (lesson) => lesson.sectionId === sectionId && lesson.takenAt !== null,
    );
    return taken ? 'not in the timetable' : 'no lessons yet';
  };
  const sizeOf = ({ id, endedOn }: ShownSection) =>
    enrolments.filter((e) => e.sectionId === id && isEnrolledOn(e, endedOn ?? now.date)).length;
  const untakenOf = (sectionId: string) =>
    lessons.filter(
      (l) =>
        l.sectionId === sectionId &&
        !l.takenAt &&
        !l.setAside &&
        l.date < now.date &&
        l.date >= addDays(now.date, -28),
    ).length;
  const rows = (some: readonly ShownSection[]) => (
    <Card style={{ padding: 0, flexDirection: 'row' }}>
      {inColumns(some, wide ? 2 : 1).map((column, index) => (
        <View key={index} style={{ flex: 1 }}>
          {column.map((one) => (
            <SectionRow
              key={one.id}
              shown={one}
              size={sizeOf(one)}
              days={
                one.endedOn === null
                  ? daysOf(one.id)
                  : `until ${dayMonth(one.endedOn)} ${one.endedOn.slice(0, 4)}`
              }
              untaken={one.endedOn === null ? untakenOf(one.id) : 0}
              needs={needsOf(one.id)}
            />
          ))}
        </View>
      ))}
    </Card>
  );
  return (
    <Page
      title="People"
      note={sections.length > 0 ? 'Your classes' : undefined}
      acts={
        sections.length > 0
          ? [
              { label: 'Add a class', onPress: add },
              {
                label: 'Totals',
                ...(wide ? {} : { note: 'What any range of days adds up to, in all classes' }),
                onPress: () => {
                  router.push('/totals');
                },
              },
            ]
          : []
      }
    >
      {sections.length === 0 ? (
        <Empty
          title="Your classes will stand here"
          action={<Action label="Add a class" icon={Plus} kind="main" onPress={add} />}
        >
          A class is a group you teach together in one subject. Add one, then bring its students from a file,
          paste them, or type them.
        </Empty>
      ) : (
        <>
          {wide ? null : <FindStudent />}
          {rows(going)}
          {wide ? <FindStudent /> : null}
          {over.length > 0 ? (
            <View style={{ gap: space(3) }}>
              <Words size="large" serif heading={2}>
                Classes that are over
              </Words>
              {rows(over)}
            </View>
          ) : null}
        </>
      )}
      <GivenLine />
      {adding ? (
        <SectionForm
          onClose={() => {
            setAdding(false);
          }}
        />
      ) : null}
    </Page>
  );
}
