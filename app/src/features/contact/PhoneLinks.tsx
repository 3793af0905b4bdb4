import { View } from 'react-native';
import { phoneNumbers } from '@slate-path/core/contact/phoneNumbers';
import type { Guardian } from '@slate-path/core/records/schema';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { target } from '../../theme/tokens';

/** Who is at home, each with a number to call in one tap, and an address. */
export function PhoneLinks({ guardians }: { guardians: readonly Guardian[] }) {
  const palette = usePalette();
  if (guardians.length === 0) return <Words tone="inkQuiet">No guardian is known.</Words>;
  return guardians.map(({ id, name, relation, email, phone }) => (
    <View key={id}>
      <Words>{[name, relation].filter(Boolean).join(', ')}</Words>
      {phoneNumbers(phone).map(({ written, dialled }) => (
        <a
          key={dialled}
          href={`tel:${dialled}`}
          aria-label={`Call ${name}, ${written}`}
          style={{
            display: 'flex',
            alignItems: 'center',
            minHeight: target,
            color: palette.slate,
            textUnderlineOffset: 4,
          }}
        >
          <Words bold tone="slate">{`Call ${written}`}</Words>
        </a>
      ))}
      {email ? <Words tone="inkQuiet">{email}</Words> : null}
      {!phone && !email ? <Words tone="inkQuiet">Neither a number nor an address.</Words> : null}
    </View>
  ));
}
