import Copy from 'lucide-react-native/icons/copy';
import { useState } from 'react';
import { View } from 'react-native';
import { changeWords } from '@slate-path/core/words/changeWords';
import { Action } from '../parts/Action';
import { Words } from '../parts/Words';
import { space } from '../theme/tokens';
import { copyText } from '../files/give';
import type { OutboxEntry } from '../sync/device';
import { leaveOut } from '../sync/outbox';

/** What the server refused: what it was, why, and the words that were written, to be kept elsewhere. */
export default function RefusedChanges({ entries }: { entries: readonly OutboxEntry[] }) {
  const [told, setTold] = useState('');
  return (
    <>
      {entries.map(({ change, reason }) => {
        const { what, texts } = changeWords(change);
        const text = texts.join('\n');
        return (
          <View key={change.id} style={{ gap: space(2) }}>
            <Words bold>{what}</Words>
            {text ? <Words>{`“${text}”`}</Words> : null}
            <Words tone="ember">{reason ?? ''}</Words>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
              {text ? (
                <Action
                  label="Copy the words"
                  icon={Copy}
                  onPress={() => void copyText(text, 'What you wrote').then(setTold)}
                />
              ) : null}
              <Action
                label="Leave it out"
                onPress={() => {
                  void leaveOut(change.id);
                }}
              />
            </View>
          </View>
        );
      })}
      {told ? <Words live>{told}</Words> : null}
    </>
  );
}
