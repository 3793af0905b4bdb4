import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { listOf } from '@slate-path/core/records/records';
import type { Enrolment, Student } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { Card } from '../../../parts/Card';
import { dayMonth } from '../../../parts/dates';
import { Groups, type Group } from '../../../parts/Groups';
import { lazily } from '../../../parts/lazily';
import { Words } from '../../../parts/Words';
import type { Concerns } from '../../../sync/outbox';
import { useSectionName } from '../../../sync/sections';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { useSharedWith } from '../../sharing/colleagues';
import { modeNames, modesOf } from '../../attendance/lesson/ModeBar';
import { CohortSheet } from '../CohortSheet';
import { RulesForm } from '../RulesForm';
import { SectionForm } from '../lazySectionForm';
import { StudentLine } from '../StudentLine';
import { ClassPage } from './lazyClassPage';
import { TellingSheet } from '../../nods/lazyPages';
import { LessonModesSheet } from './LessonModesSheet';
import { useClassList, type InClass } from './ofClass';

const StudentForm = lazily(() => import('../StudentForm'));
const ShareSheet = lazily(() => import('../../sharing/ShareSheet'));

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

type Form = 'student' | 'class' | 'rules' | 'cohorts' | 'modes' | 'nods' | 'share' | null;

/** What is settled once a term: who is in the class, how it counts, who teaches it. */
export function SetUpScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const router = useRouter();
  const wide = useWide();
  const [form, setForm] = useState<Form>(null);
  const current = useRecords((state) => state.current);
  const section = current.section[sectionId];
  const guardians = listOf(current, 'guardian');
  const name = useSectionName(sectionId);
  const sharedWith = useSharedWith(sectionId);
  const { present, gone } = useClassList(sectionId);
  const close = () => {
    setForm(null);
  };
  const opens = (which: Form) => () => {
    setForm(which);
  };
  const groups: Group[] = [
    {
      title: 'Students',
      items: [
        { label: 'Add a student', onPress: opens('student') },
        {
          label: 'Bring a roster',
          note: 'A file or a list; every row is shown before it is saved',
          onPress: () => {
            router.push({ pathname: '/classes/[sectionId]/roster', params: { sectionId } });
          },
        },
        present.length > 0
          ? { label: 'Cohorts', note: 'Groups within the class, to add up by', onPress: opens('cohorts') }
          : null,
      ],
    },
    {
      title: 'The class',
      items: [
        {
          label: 'Change the class',
          note: 'Name, subject, room, a class taught with it',
          onPress: opens('class'),
        },
        {
          label: 'How it counts',
          note: 'From when late is late, and how much missed is away',
          onPress: opens('rules'),
        },
        {
          label: 'What a lesson has',
          note: modesOf(section)
            .map((mode) => modeNames[mode])
            .join(', '),
          onPress: opens('modes'),
        },
        {
          label: 'Whom nods are told to',
          note: 'The student, home, nobody; and quiet hours',
          onPress: opens('nods'),
        },
        {
          label: 'What is watched',
          note: 'Which changes stand on Watch, and from which lines on',
          onPress: () => {
            router.push({ pathname: '/watch/settings', params: { section: sectionId } });
          },
        },
        {
          label: 'Colleagues in this class',
          note: sharedWith || 'Share it, or have it covered',
          onPress: opens('share'),
        },
      ],
    },
  ];
  const line = ({ student, enrolment }: InClass) => (
    <StudentLine
      key={enrolment.id}
      student={student}
      about={aboutOf(student, enrolment, guardians.filter((g) => g.studentId === student.id).length)}
    />
  );
  return (
    <ClassPage
      sectionId={sectionId}
      page="Set up"
      note={many(present.length, 'student')}
      tools={<TakeBack about={sectionId} concerns={ofTheClass} />}
    >
      {section ? (
        <View
          style={{
            flexDirection: wide ? 'row' : 'column',
            gap: space(4),
            alignItems: wide ? 'flex-start' : 'stretch',
          }}
        >
          <Card style={{ gap: space(4), flex: wide ? 2 : undefined }}>
            <Groups groups={groups} />
          </Card>
          <View style={{ flex: wide ? 3 : undefined, gap: space(3) }}>
            {present.length > 0 ? <Card style={{ padding: 0 }}>{present.map(line)}</Card> : null}
            {gone.length > 0 ? (
              <>
                <Words size="large" serif heading={2}>
                  Left the class
                </Words>
                <Card style={{ padding: 0 }}>{gone.map(line)}</Card>
              </>
            ) : null}
          </View>
        </View>
      ) : null}
      {form === 'share' ? <ShareSheet sectionId={sectionId} name={name} onClose={close} /> : null}
      {form === 'cohorts' ? <CohortSheet sectionId={sectionId} people={present} onClose={close} /> : null}
      {section && form === 'rules' ? <RulesForm section={section} onClose={close} /> : null}
      {section && form === 'class' ? <SectionForm section={section} onClose={close} /> : null}
      {section && form === 'modes' ? <LessonModesSheet section={section} onClose={close} /> : null}
      {form === 'nods' ? <TellingSheet sectionId={sectionId} onClose={close} /> : null}
      {form === 'student' ? <StudentForm sectionId={sectionId} onClose={close} /> : null}
    </ClassPage>
  );
}
