import Armchair from 'lucide-react-native/icons/armchair';
import CalendarDays from 'lucide-react-native/icons/calendar-days';
import FileUp from 'lucide-react-native/icons/file-up';
import Pencil from 'lucide-react-native/icons/pencil';
import CalendarRange from 'lucide-react-native/icons/calendar-range';
import Columns3 from 'lucide-react-native/icons/columns-3';
import Group from 'lucide-react-native/icons/group';
import ListChecks from 'lucide-react-native/icons/list-checks';
import Mail from 'lucide-react-native/icons/mail';
import QrCode from 'lucide-react-native/icons/qr-code';
import Sigma from 'lucide-react-native/icons/sigma';
import Settings2 from 'lucide-react-native/icons/settings-2';
import type { LucideIcon } from 'lucide-react-native';
import Scale from 'lucide-react-native/icons/scale';
import Plus from 'lucide-react-native/icons/plus';
import UserPlus from 'lucide-react-native/icons/user-plus';
import Tally5 from 'lucide-react-native/icons/tally-5';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { many } from '@slate-path/core/words/many';
import { listOf } from '@slate-path/core/records/records';
import type { Enrolment, Section, Student } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { inColumns } from '../../parts/arrange';
import { Card } from '../../parts/Card';
import { dayMonth } from '../../parts/dates';
import { Empty } from '../../parts/Empty';
import { Page } from '../../parts/Page';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { lazily } from '../../parts/lazily';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { useNow } from '../../sync/clock';
import type { Concerns } from '../../sync/outbox';
import { TakeBack } from '../../sync/TakeBack';
import { useLastDay, useSectionName } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';
import { CohortSheet } from './CohortSheet';
import { byStudent, useNameOrder } from '../../sync/nameOrder';
import { RulesForm } from './RulesForm';
import { SectionForm } from './SectionForm';
import { useClassRole, useSharedWith } from '../sharing/colleagues';
import { StudentLine } from './StudentLine';

const StudentForm = lazily(() => import('./StudentForm'));
const ShareSheet = lazily(() => import('../sharing/ShareSheet'));

/** What a list of a class says of somebody in it. */
function aboutOf({ grade, email }: Student, enrolment: Enrolment, guardians: number): string {
  const about = [
    grade && `grade ${grade.replace(/^(grade|year)\s*/i, '')}`,
    enrolment.cohort,
    enrolment.startsOn ? `since ${dayMonth(enrolment.startsOn)}` : '',
    enrolment.endsOn ? `until ${dayMonth(enrolment.endsOn)}` : '',
    guardians === 0 ? 'no guardian' : '',
    email,
  ];
  return about.filter(Boolean).join(' · ');
}

/** The class itself and who is in it: what *Take back* means on this page. */
const ofTheClass: Concerns = ({ table }) => ['section', 'enrolment', 'student', 'guardian'].includes(table);

type Form = 'setup' | 'student' | 'class' | 'rules' | 'cohorts' | 'share' | null;

/** One class: who is in it, and what can be done with it. */
export function ClassScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const router = useRouter();
  const wide = useWide();
  const now = useNow();
  const [form, setForm] = useState<Form>(null);
  const order = useNameOrder();
  const current = useRecords((state) => state.current);
  const section = current.section[sectionId];
  const name = useSectionName(sectionId);
  // Of a class that is over its last day is looked at.
  const lastDay = useLastDay(sectionId);
  const over = lastDay !== now.date;
  const sharedWith = useSharedWith(sectionId);
  const isTeacher = useClassRole(sectionId) === 'teacher';
  const guardians = listOf(current, 'guardian');
  const people = listOf(current, 'enrolment')
    .filter((e) => e.sectionId === sectionId)
    .flatMap((enrolment) => {
      const student = current.student[enrolment.studentId];
      return student && !student.removed ? [{ student, enrolment }] : [];
    })
    .sort(byStudent(order));
  const back = { to: '/people' as const, name: 'All classes' };
  if (!section)
    return (
      <Page title="Class" back={back}>
        {null}
      </Page>
    );
  const bring = (kind: 'main' | 'outlined') => (
    <Action
      label="Bring a roster"
      icon={FileUp}
      kind={kind}
      onPress={() => {
        router.push({ pathname: '/classes/[sectionId]/roster', params: { sectionId } });
      }}
    />
  );
  const close = () => {
    setForm(null);
  };
  const month = {
    pathname: '/classes/[sectionId]/months/[month]' as const,
    params: { sectionId, month: lastDay.slice(0, 7) },
  };
  const present = people.filter(({ enrolment }) => !enrolment.endsOn || enrolment.endsOn >= lastDay);
  const gone = people.filter(({ enrolment }) => enrolment.endsOn && enrolment.endsOn < lastDay);
  const line = ({ student, enrolment }: (typeof people)[number]) => (
    <StudentLine
      key={enrolment.id}
      student={student}
      about={aboutOf(student, enrolment, guardians.filter((g) => g.studentId === student.id).length)}
    />
  );
  return (
    <Page
      title={name}
      note={[
        many(present.length, 'student'),
        section.room,
        sharedWith,
        over ? `ended on ${dayMonth(lastDay)} ${lastDay.slice(0, 4)}; all that was kept stays` : '',
      ]
        .filter(Boolean)
        .join(' · ')}
      back={back}
    >
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action
          label="Month"
          icon={CalendarDays}
          kind="main"
          onPress={() => {
            router.push(month);
          }}
        />
        <Action
          label="Days"
          icon={Columns3}
          onPress={() => {
            router.push({ pathname: '/classes/[sectionId]/days', params: { sectionId } });
          }}
        />
        <Action
          label="Totals"
          icon={Sigma}
          onPress={() => {
            router.push({ pathname: '/totals', params: { sectionId } });
          }}
        />
        <Action
          label="Counts"
          icon={Tally5}
          onPress={() => {
            router.push({ pathname: '/classes/[sectionId]/counts', params: { sectionId } });
          }}
        />
        {people.length > 0 && isTeacher ? (
          <Action
            label="Write"
            icon={Mail}
            onPress={() => {
              router.push({ pathname: '/write', params: { sectionId } });
            }}
          />
        ) : null}
        <Action
          label="Room"
          name="Room plan"
          icon={Armchair}
          onPress={() => {
            router.push({ pathname: '/classes/[sectionId]/room', params: { sectionId } });
          }}
        />
        {isTeacher ? (
          <>
            <Action
              label="Check in"
              icon={QrCode}
              onPress={() => {
                router.push({ pathname: '/classes/[sectionId]/check-in', params: { sectionId } });
              }}
            />
            <Action
              label="Set up"
              icon={Settings2}
              onPress={() => {
                setForm('setup');
              }}
            />
          </>
        ) : null}
        <TakeBack about={sectionId} concerns={ofTheClass} />
      </View>
      {people.length === 0 ? (
        <Empty title="Nobody is in this class yet" action={bring('main')}>
          A roster is the list of a class’s students. Bring the one you have: a CSV or XLSX file, or cells
          pasted from anywhere. You see what becomes of every row before anything is saved.
        </Empty>
      ) : (
        <Card style={{ padding: 0, flexDirection: 'row' }}>
          {inColumns(present, wide ? 2 : 1).map((column, index) => (
            <View key={index} style={{ flex: 1 }}>
              {column.map(line)}
            </View>
          ))}
        </Card>
      )}
      {gone.length > 0 ? (
        <>
          <Words size="large" serif heading={2}>
            Left the class
          </Words>
          <Card style={{ padding: 0 }}>{gone.map(line)}</Card>
        </>
      ) : null}
      {form === 'setup' ? (
        <SetUp
          section={section}
          onForm={setForm}
          onClose={close}
          bring={people.length > 0 ? bring('outlined') : null}
        />
      ) : null}
      {form === 'share' ? <ShareSheet sectionId={sectionId} name={name} onClose={close} /> : null}
      {form === 'cohorts' ? <CohortSheet sectionId={sectionId} people={present} onClose={close} /> : null}
      {form === 'rules' ? <RulesForm section={section} onClose={close} /> : null}
      {form === 'class' ? <SectionForm section={section} onClose={close} /> : null}
      {form === 'student' ? <StudentForm sectionId={sectionId} onClose={close} /> : null}
    </Page>
  );
}

/** What is done with a class now and then. */
function SetUp({
  section,
  bring,
  onForm,
  onClose,
}: {
  section: Section;
  bring: ReactNode;
  onForm: (form: Form) => void;
  onClose: () => void;
}) {
  const router = useRouter();
  const forms: { form: Form; label: string; icon: LucideIcon }[] = [
    { form: 'student', label: 'Add a student', icon: Plus },
    { form: 'cohorts', label: 'Cohorts', icon: Group },
    { form: 'rules', label: 'How it counts', icon: Scale },
    { form: 'class', label: 'Change the class', icon: Pencil },
    { form: 'share', label: 'Colleagues in this class', icon: UserPlus },
  ];
  return (
    <Sheet title={section.name} onClose={onClose}>
      {bring}
      <Action
        label="A range of days"
        icon={CalendarRange}
        onPress={() => {
          router.push({ pathname: '/range', params: { sectionId: section.id } });
        }}
      />
      <Action
        label="Finished work"
        icon={ListChecks}
        onPress={() => {
          router.push({ pathname: '/classes/[sectionId]/work', params: { sectionId: section.id } });
        }}
      />
      {forms.map(({ form, label, icon }) => (
        <Action
          key={label}
          label={label}
          icon={icon}
          onPress={() => {
            onForm(form);
          }}
        />
      ))}
    </Sheet>
  );
}
