import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { listOf } from '@slate-path/core/records/records';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { Groups, type Group } from '../../../parts/Groups';
import { Page } from '../../../parts/Page';
import { Words } from '../../../parts/Words';
import { chooseTheme, useThemeChoice, useWide, type ThemeChoice } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { signOut, useAccount } from '../../../sync/account';
import { chooseNameOrder, nameOrders, useNameOrder } from '../../../sync/nameOrder';
import { ApiProblem } from '../../../sync/api';
import { useRecords } from '../../../sync/useRecords';
import { ArchiveCard } from '../archive/ArchiveCard';
import { BackupCard } from '../archive/BackupCard';
import { DaysOff } from './DaysOff';
import { Exports } from './Exports';
import { TermDates } from './TermDates';
import { Timetable } from './Timetable';
import { useState } from 'react';

const looks: { value: ThemeChoice; label: string }[] = [
  { value: 'device', label: 'As this device' },
  { value: 'paper', label: 'Paper' },
  { value: 'board', label: 'Board' },
];

/** What the school and its lessons go by, and where it stands: a page each. */
function OtherPages() {
  const { role, isKeeper } = useAccount();
  const hasClasses = role !== 'reader';
  const router = useRouter();
  const current = useRecords((state) => state.current);
  const kinds = listOf(current, 'standing').sort((a, b) => a.position - b.position);
  const sets = new Set(
    listOf(current, 'focus')
      .map(({ name }) => name)
      .sort(),
  );
  const to =
    (page: 'vocabulary' | 'look-fors' | 'outbox' | 'shared' | 'colleagues' | 'mail' | 'phrases' | 'nods') =>
    () => {
      router.push(`/desk/${page}`);
    };
  const groups: Group[] = [
    {
      title: 'Words of your lessons',
      items: hasClasses
        ? [
            {
              label: 'Attendance kinds',
              note: kinds.map(({ code, name }) => `${code} ${name}`).join(' · '),
              onPress: to('vocabulary'),
            },
            {
              label: 'Look-fors',
              note: [...sets].join(' · ') || 'What you tally in lessons',
              onPress: to('look-fors'),
            },
            {
              label: 'Phrases',
              note: 'Sentences you write often, with blanks that fill themselves',
              onPress: to('phrases'),
            },
          ]
        : [],
    },
    {
      title: 'With others',
      items: [
        hasClasses
          ? {
              label: 'Outbox',
              note: 'What was written to students and guardians, when and why',
              onPress: to('outbox'),
            }
          : null,
        hasClasses
          ? {
              label: 'Shared',
              note: 'Pages for readers: what went to whom, until when',
              onPress: to('shared'),
            }
          : null,
        role === 'teacher'
          ? {
              label: 'Nods in the school',
              note: isKeeper
                ? 'Of all classes, counted; draws among everybody'
                : 'Who had some, in all classes',
              onPress: to('nods'),
            }
          : null,
        {
          label: hasClasses ? 'Colleagues and classes' : 'Colleagues',
          note: hasClasses
            ? 'Share a class, have it covered, invite whoever teaches beside you'
            : 'Who belongs to the school',
          onPress: to('colleagues'),
        },
        isKeeper
          ? {
              label: 'Mail',
              note: 'Over which mail server letters go out, and a test of it',
              onPress: to('mail'),
            }
          : null,
      ],
    },
  ];
  return (
    <Card style={{ gap: space(4) }}>
      <Groups groups={groups} />
    </Card>
  );
}

/** What is done once a term, and files out. */
export function DeskScreen() {
  const wide = useWide();
  const router = useRouter();
  const look = useThemeChoice();
  const order = useNameOrder();
  const { teacherName, role, isKeeper, demo } = useAccount();
  const hasClasses = role !== 'reader';
  const [problem, setProblem] = useState<string>();
  const leave = () => {
    signOut().catch((error: unknown) => {
      setProblem(error instanceof ApiProblem ? error.detail : 'Something broke here. Try again.');
    });
  };
  const left = (
    <>
      <TermDates />
      {hasClasses ? <Timetable /> : null}
      <OtherPages />
    </>
  );
  const right = (
    <>
      <DaysOff />
      {hasClasses ? <ArchiveCard /> : null}
      {isKeeper ? <BackupCard /> : null}
      {hasClasses ? <Exports /> : null}
      <Card style={{ gap: space(3) }}>
        <Words size="large" serif heading={2}>
          This device
        </Words>
        <Choice name="Order of names" value={order} options={nameOrders} onChange={chooseNameOrder} />
        <Choice name="Look" value={look} options={looks} onChange={chooseTheme} />
        {demo ? null : (
          <>
            <Words tone="inkQuiet">{`Signed in as ${teacherName}. Signing out removes the records from this device.`}</Words>
            {problem ? <Words tone="ember">{problem}</Words> : null}
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
              <Action
                label="Passphrase and devices"
                onPress={() => {
                  router.push('/desk/account');
                }}
              />
              <Action label="Sign out" onPress={leave} />
            </View>
          </>
        )}
      </Card>
    </>
  );
  return (
    <Page title="Desk" note={hasClasses ? 'Once a term, and files in and out' : undefined}>
      {wide ? (
        <View style={{ flexDirection: 'row', gap: space(4), alignItems: 'flex-start' }}>
          <View style={{ flex: 1, gap: space(4) }}>{left}</View>
          <View style={{ flex: 1, gap: space(4) }}>{right}</View>
        </View>
      ) : (
        <>
          {left}
          {right}
        </>
      )}
    </Page>
  );
}
