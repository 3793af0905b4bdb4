import { View } from 'react-native';
import { shippedFocuses } from '@slate-path/core/observation/tallies/shipped';
import { Action } from '../../../parts/Action';
import { Empty } from '../../../parts/Empty';
import { space } from '../../../theme/tokens';
import { makeChange, newId } from '../../../sync/outbox';

/** Nothing to look for yet: the sets that ship are one tap away. */
export function NoLookFors() {
  return (
    <View style={{ flex: 1, padding: space(4) }}>
      <Empty
        title="Nothing to look for yet"
        action={
          <Action
            label="Take the three sets that ship"
            kind="main"
            onPress={() => {
              for (const payload of shippedFocuses(newId)) makeChange('focus.set', payload, 'lookFors');
            }}
          />
        }
      >
        Here you tally what students do: for a discussion, the workshop, general conduct. Change them as you
        like.
      </Empty>
    </View>
  );
}
