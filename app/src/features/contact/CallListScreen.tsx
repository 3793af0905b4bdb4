import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { addDays } from '@slate-path/core/calendar/localTime';
import { callList, type Candidate } from '@slate-path/core/contact/callList';
import { heardAtHome } from '@slate-path/core/contact/line';
import { displayName } from '@slate-path/core/people/names';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { listOf } from '@slate-path/core/records/records';
import type { Step, Student } from '@slate-path/core/records/schema';
import { reasonsOf } from '@slate-path/core/watch/signals/firstReason';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { dayMonth } from '../../parts/dates';
import { Empty } from '../../parts/Empty';
import { choicePhrase, Sentence } from '../../parts/Sentence';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { useNow } from '../../sync/clock';
import { byStudent, useNameOrder } from '../../sync/nameOrder';
import { TakeBack } from '../../sync/TakeBack';
import { useAsking } from '../../sync/useAsking';
import { useRecords } from '../../sync/useRecords';
import { space, target } from '../../theme/tokens';
import { WatchPage } from '../watch/lazyWatchPage';
import { useWatch, watchAbout, type Shown } from '../watch/useWatch';
import { ContactSheet } from './ContactSheet';
import { PhoneLinks } from './PhoneLinks';
import { useContactLines } from './useContact';

interface Person extends Candidate {
  student: Student;
  /** Open concerns, the clearest first. */
  shown: Shown[];
}

const spans = ['2', '4', '6', '8'] as const;
/** So many facts are worth saying. */
const mostFacts = 3;

/** Everybody in one's classes today, with what home has heard and what is of concern. */
function usePeople(): { people: Person[]; isLoading: boolean } {
  const { date } = useNow();
  const order = useNameOrder();
  const watch = useWatch();
  const lines = useContactLines();
  const current = useRecords((state) => state.current);
  const people = useMemo(() => {
    const ids = new Set(
      listOf(current, 'enrolment').flatMap((one) => (isEnrolledOn(one, date) ? [one.studentId] : [])),
    );
    return [...ids]
      .flatMap((id): Person[] => {
        const student = current.student[id];
        if (!student || student.removed) return [];
        const shown = watch.concerns.filter(({ item, quiet }) => item.studentId === id && !quiet);
        const concern = shown[0]?.item ?? null;
        return [{ student, studentId: id, shown, concern, ...heardAtHome(lines.get(id) ?? []) }];
      })
      .sort(byStudent(order));
  }, [current, date, order, watch.concerns, lines]);
  return { people, isLoading: watch.state === 'loading' };
}

/** Whom to call at home: with the numbers, the facts worth saying, and what was said so far. */
export function CallListScreen() {
  const { date } = useNow();
  const asking = useAsking();
  const { people, isLoading } = usePeople();
  const [weeks, setWeeks] = useState<(typeof spans)[number]>('4');
  const [noting, setNoting] = useState<Person | null>(null);
  const { toCall, longAgo, onlyWorries } = callList(people, addDays(date, -7 * Number(weeks)));
  return (
    <WatchPage page="Contact" tools={<TakeBack about={watchAbout} />}>
      {isLoading ? (
        <Words tone="inkQuiet">{asking}</Words>
      ) : (
        <Sentence
          parts={[
            `${toCall.length} with a concern that home has not heard of; ${onlyWorries.length} of whom home has only heard worries; ${longAgo.length} not in contact for `,
            choicePhrase({
              name: 'choose the weeks',
              value: weeks,
              options: spans.map((value) => ({ value, label: `${value} weeks` })),
              onChange: setWeeks,
            }),
            '.',
          ]}
        />
      )}
      {people.length === 0 ? (
        <Empty title="Whom to call will stand here">
          With the numbers of the guardians and the facts that are worth saying, once there are students.
        </Empty>
      ) : null}
      {toCall.map((person) => (
        <CallCard
          key={person.studentId}
          person={person}
          onNote={() => {
            setNoting(person);
          }}
        />
      ))}
      <Names
        title="Only worries so far"
        people={onlyWorries}
        about={({ worry }) => many(worry, 'worry', 'worries')}
      />
      <Names
        title={`Not for ${weeks} weeks`}
        people={longAgo}
        about={({ lastOn }) => (lastOn === null ? 'never' : `last on ${dayMonth(lastOn)}`)}
      />
      {noting ? (
        <ContactSheet
          student={noting.student}
          concern={concernOf(noting)}
          tone={noting.concern ? 'worry' : 'neutral'}
          history={watchAbout}
          onClose={() => {
            setNoting(null);
          }}
        />
      ) : null}
    </WatchPage>
  );
}

function concernOf({ shown }: Person): Pick<Step, 'sectionId' | 'concern'> | null {
  const item = shown[0]?.item;
  return item && item.concern !== 'over_a_line' ? { sectionId: item.sectionId, concern: item.concern } : null;
}

/** The facts worth saying: of each concern the strongest, then what else speaks for the first. */
function factsOf(shown: readonly Shown[]): string[] {
  const [first, ...others] = shown.map(({ item }) => reasonsOf(item.sentence));
  const strongest = others.map(([reason = '']) => reason);
  return [...(first?.slice(0, 1) ?? []), ...strongest, ...(first?.slice(1) ?? [])].slice(0, mostFacts);
}

/** Somebody to call about: the facts, and the numbers. */
function CallCard({ person, onNote }: { person: Person; onNote: () => void }) {
  const { student, shown, lastOn } = person;
  const guardians = useRecords(({ current }) => current.guardian);
  const own = Object.values(guardians).filter((one) => !one.removed && one.studentId === student.id);
  return (
    <Card style={{ gap: space(2) }}>
      <Words size="name" serif heading={2}>
        {displayName(student)}
      </Words>
      {factsOf(shown).map((fact) => (
        <Words key={fact}>{fact}</Words>
      ))}
      <Words size="small" tone="inkQuiet">
        {lastOn === null
          ? 'Home has not been in contact from here yet.'
          : `Home last heard on ${dayMonth(lastOn)}.`}
      </Words>
      <PhoneLinks guardians={own} />
      <Action
        label="Note the call"
        name={`Note the call about ${displayName(student)}`}
        style={{ alignSelf: 'flex-start' }}
        onPress={onNote}
      />
    </Card>
  );
}

interface NamesProps {
  title: string;
  people: readonly Person[];
  about: (person: Person) => string;
}

/** A list of students, each leading to their contacts. */
function Names({ title, people, about }: NamesProps) {
  const router = useRouter();
  if (people.length === 0) return null;
  return (
    <View style={{ gap: space(1) }}>
      <Words size="large" serif heading={2}>
        {title}
      </Words>
      <Card style={{ paddingVertical: 0 }}>
        {people.map((person) => (
          <TapArea
            key={person.studentId}
            name={`Contact of ${displayName(person.student)}, ${about(person)}`}
            onTap={() => {
              router.push({
                pathname: '/students/[studentId]',
                params: { studentId: person.studentId, page: 'contact' },
              });
            }}
            style={{ flexDirection: 'row', alignItems: 'center', minHeight: target, gap: space(2) }}
          >
            <View style={{ flex: 1 }}>
              <Words lines={1}>{displayName(person.student)}</Words>
            </View>
            <Words size="small" tone="inkQuiet" figures>
              {about(person)}
            </Words>
          </TapArea>
        ))}
      </Card>
    </View>
  );
}
