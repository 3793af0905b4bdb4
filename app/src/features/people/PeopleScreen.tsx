import Sigma from 'lucide-react-native/icons/sigma';
import Plus from 'lucide-react-native/icons/plus';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { addDays } from '@slate-path/core/calendar/localTime';
import { listOf } from '@slate-path/core/records/records';
import { isEnrolledOn } from '@slate-path/core/roll/totals';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { Empty } from '../../parts/Empty';
import { Page } from '../../parts/Page';
import { Words } from '../../parts/Words';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { useAllLessons } from '../lesson/lessons';
import { useNow } from '../records/clock';
import { useRecords } from '../records/useRecords';
import { weekdayNames } from '../desk/weekdays';
import { SectionForm } from './SectionForm';

/** The classes, each with its size, its times and the next lesson. */
export function PeopleScreen() {
  const router = useRouter();
  const wide = useWide();
  const now = useNow();
  const [adding, setAdding] = useState(false);
  const current = useRecords((state) => state.current);
  const lessons = useAllLessons();
  const sections = listOf(current, 'section').sort((a, b) => a.name.localeCompare(b.name));
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
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(3) }}>
          {sections.map((section) => {
            const size = enrolments.filter(
              (e) => e.sectionId === section.id && isEnrolledOn(e, now.date),
            ).length;
            const untaken = lessons.filter(
              (l) =>
                l.sectionId === section.id &&
                !l.takenAt &&
                !l.setAside &&
                l.date < now.date &&
                l.date >= addDays(now.date, -28),
            ).length;
            return (
              <Card key={section.id} style={{ padding: 0, width: wide ? '48.5%' : '100%' }}>
                <TouchableRipple
                  role="link"
                  aria-label={`${section.name}, ${size} students`}
                  onPress={() => {
                    router.push({ pathname: '/classes/[sectionId]', params: { sectionId: section.id } });
                  }}
                  style={{ padding: space(4), minHeight: 88 }}
                >
                  <View style={{ gap: 2 }}>
                    <Words size="large" serif heading={2}>
                      {section.name}
                    </Words>
                    <Words tone="inkQuiet">
                      {[`${size} students`, daysOf(section.id), section.room].filter(Boolean).join(' · ')}
                    </Words>
                    {untaken > 0 ? (
                      <Words size="small" tone="inkQuiet">
                        {`${untaken} of the last four weeks’ lessons not taken`}
                      </Words>
                    ) : null}
                  </View>
                </TouchableRipple>
              </Card>
            );
          })}
        </View>
      )}
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
