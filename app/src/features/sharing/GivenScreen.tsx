import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { displayName } from '@slate-path/core/people/names';
import { Action } from '../../parts/Action';
import { inLines } from '../../parts/arrange';
import { Card } from '../../parts/Card';
import { dayMonth } from '../../parts/dates';
import { Empty } from '../../parts/Empty';
import { Page } from '../../parts/Page';
import { Words } from '../../parts/Words';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { useAccount } from '../../sync/account';
import { useView } from '../../sync/views';
import { taughtWords } from './taughtWords';

type Given = AnswerOf<'pathGrants'>['given'][number];

function GivenCard({ given: { student, classes, grantedBy, since } }: { given: Given }) {
  const router = useRouter();
  const name = displayName(student);
  return (
    <Card style={{ gap: space(2), flex: 1 }}>
      <Words size="large" serif heading={2}>
        {name}
      </Words>
      <Words>{classes.map(taughtWords).join(', ')}</Words>
      <Words size="small" tone="inkQuiet">{`Given by ${grantedBy} on ${dayMonth(since.slice(0, 10))}`}</Words>
      <View style={{ alignItems: 'flex-start' }}>
        <Action
          label="Open the path"
          name={`Open the path of ${name}`}
          kind="main"
          onPress={() => {
            router.push({
              pathname: '/students/[studentId]',
              params: { studentId: student.id, whole: 'yes' },
            });
          }}
        />
      </View>
    </Card>
  );
}

/** The students whose whole paths were given to whoever looks. */
export function GivenScreen() {
  const wide = useWide();
  const isReader = useAccount(({ role }) => role === 'reader');
  const { state, answer } = useView(addressOf('pathGrants'));
  const given = answer?.given ?? [];
  const across = wide ? 2 : 1;
  return (
    <Page
      title="Paths given to you"
      note="Of all classes, without anybody’s own notes"
      {...(isReader ? {} : { back: { to: '/people', name: 'Back to People' } })}
    >
      {inLines(given, across).map((line) => (
        <View key={line[0]?.id} style={{ flexDirection: 'row', gap: space(3) }}>
          {line.map((one) => (
            <GivenCard key={one.id} given={one} />
          ))}
          {line.length < across ? <View style={{ flex: 1 }} /> : null}
        </View>
      ))}
      {given.length > 0 ? null : answer ? (
        <Empty title="No path is given to you">
          A student’s teacher gives you their path, from the foot of it: then it stands here, for as long as
          they leave it with you.
        </Empty>
      ) : (
        <Words tone="inkQuiet">
          {state === 'loading' ? 'Asking the server.' : 'The server does not answer. Try again when it does.'}
        </Words>
      )}
    </Page>
  );
}
