import ClipboardCopy from 'lucide-react-native/icons/clipboard-copy';
import { useState } from 'react';
import { View } from 'react-native';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../../parts/Action';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { copyText } from '../../../files/give';

/** Addresses for another mail program. */
export function CopyAddresses({ addresses }: { addresses: readonly string[] }) {
  const [told, setTold] = useState('');
  return (
    <View style={{ alignItems: 'flex-start', gap: space(2) }}>
      <Action
        label="Copy their addresses"
        icon={ClipboardCopy}
        disabled={addresses.length === 0}
        onPress={() => {
          void copyText(addresses.join(', '), `${many(addresses.length, 'address', 'addresses')}:`).then(
            setTold,
          );
        }}
      />
      {told ? <Words live>{told}</Words> : null}
    </View>
  );
}
