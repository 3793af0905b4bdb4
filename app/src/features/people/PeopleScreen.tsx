import Sigma from 'lucide-react-native/icons/sigma';
import Plus from 'lucide-react-native/icons/plus';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addDays } from '@slate-path/core/calendar/localTime';
import { listOf } from '@slate-path/core/records/records';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { Action } from '../../parts/Action';
import { inLines } from '../../parts/arrange';
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
import { FindStudent } from './FindStudent';
import { SectionCard } from './SectionCard';
import { SectionForm } from './SectionForm';

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
  const add = (
    <Action
      label="Add a class"
      icon={Plus}
      kind={sections.length === 0 ? 'main' : 'outlined'}
      onPress={() => {
        setAdding(true);
      }}
    />
  );
  const daysOf = (sectionId: string) => {
    const days = meetings.filter((m) => m.sectionId === sectionId).map((m) => m.weekday);
    const named = [...new Set(days)].sort().map((day) => weekdayNames[day - 1]?.slice(0, 3));
    return named.length > 0 ? named.join(', ') : 'no lessons yet';
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
  const across = wide ? 2 : 1;
  const cards = (some: readonly ShownSection[]) =>
    inLines(some, across).map((line) => (
      <View key={line[0]?.id} style={{ flexDirection: 'row', gap: space(3) }}>
        {line.map((one) => (
          <SectionCard
            key={one.id}
            shown={one}
            size={sizeOf(one)}
            days={
              one.endedOn === null
                ? daysOf(one.id)
                : `until ${dayMonth(one.endedOn)} ${one.endedOn.slice(0, 4)}`
            }
            untaken={one.endedOn === null ? untakenOf(one.id) : 0}
          />
        ))}
        {line.length < across ? <View style={{ flex: 1 }} /> : null}
      </View>
    ));
  return (
    <Page
      title="People"
      note={sections.length > 0 ? 'Your classes' : undefined}
      tools={
        sections.length > 0 ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
            {add}
            <Action
              label="Totals"
              icon={Sigma}
              onPress={() => {
                router.push('/totals');
              }}
            />
          </View>
        ) : null
      }
    >
      {sections.length === 0 ? (
        <Empty title="Your classes will stand here" action={add}>
          A class is a group you teach together in one subject. Add one, then bring its students from a file,
          paste them, or type them.
        </Empty>
      ) : (
        <>
          {wide ? null : <FindStudent />}
          <View style={{ gap: space(3) }}>{cards(going)}</View>
          {wide ? <FindStudent /> : null}
          {over.length > 0 ? (
            <View style={{ gap: space(3) }}>
              <Words size="large" serif heading={2}>
                Classes that are over
              </Words>
              {cards(over)}
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
