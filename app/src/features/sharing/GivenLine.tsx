import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { displayName } from '@slate-path/core/people/names';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { useView } from '../../sync/views';

/** The way to the paths that were given to a teacher; nothing where none is. */
export function GivenLine() {
  const router = useRouter();
  const given = useView(addressOf('pathGrants')).answer?.given ?? [];
  if (given.length === 0) return null;
  return (
    <Card style={{ gap: space(2) }}>
      <Words size="large" serif heading={2}>
        Paths given to you
      </Words>
      <Words tone="inkQuiet">{given.map(({ student }) => displayName(student)).join(', ')}</Words>
      <View style={{ alignItems: 'flex-start' }}>
        <Action
          label="Open them"
          name="Open the paths given to you"
          onPress={() => {
            router.push('/given');
          }}
        />
      </View>
    </Card>
  );
}
