import { View } from 'react-native';
import { shippedReasons } from '@slate-path/core/nods/shipped';
import { Action } from '../../parts/Action';
import { Empty } from '../../parts/Empty';
import { makeChange, newId } from '../../sync/outbox';
import { space } from '../../theme/tokens';
import { nodsHistory } from './giving';

/** Nothing to nod for yet: some reasons ship, and are one tap away. */
export function NoReasons({ onOwn }: { onOwn: () => void }) {
  return (
    <View style={{ flex: 1, padding: space(4) }}>
      <Empty
        title="What is a nod for?"
        action={
          <View style={{ gap: space(2), alignItems: 'flex-start' }}>
            <Action
              label="Begin with these five"
              kind="main"
              onPress={() => {
                shippedReasons.forEach((name, position) => {
                  makeChange('nodReason.set', { id: newId(), name, position }, nodsHistory);
                });
              }}
            />
            <Action label="Write my own" onPress={onOwn} />
          </View>
        }
      >
        {`A nod says that somebody did well, and for what; the student and home can be told at once. To begin with: ${shippedReasons.join(', ').toLocaleLowerCase()}.`}
      </Empty>
    </View>
  );
}
