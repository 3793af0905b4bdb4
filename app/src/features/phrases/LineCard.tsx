import { useState } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import { listed } from '@slate-path/core/words/listed';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import type { Line } from './each';

interface LineCardProps {
  line: Line;
  /** Whether home is told. */
  isTold: boolean;
  /** Null: as the sentence says. */
  onWrite: (text: string | null) => void;
}

/** What one student gets, changed by hand where it should say something else. */
export function LineCard({ line, isTold, onWrite }: LineCardProps) {
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const { member, text, missing, isByHand, addresses } = line;
  const name = displayName(member.student);
  const unknown = missing.filter((blank) => blank !== 'words');
  return (
    <View
      testID="line"
      style={{
        paddingHorizontal: space(4),
        paddingVertical: space(2),
        borderBottomWidth: 1,
        borderColor: palette.line,
        gap: space(1),
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
        <View style={{ flex: 1 }}>
          <Words bold lines={1}>
            {name}
          </Words>
        </View>
        <Action
          label={isByHand ? 'As the sentence' : open ? 'Done' : 'Change'}
          name={isByHand ? `${name}: as the sentence says` : `Change what ${name} gets`}
          onPress={() => {
            if (isByHand) onWrite(null);
            setOpen(!isByHand && !open);
          }}
        />
      </View>
      {open || isByHand ? (
        <Field label={`What ${name} gets`} value={text} onChange={onWrite} multiline />
      ) : (
        <Words>{text}</Words>
      )}
      {missing.includes('words') ? (
        <Words tone="inkQuiet">Your own words are still to be typed.</Words>
      ) : null}
      {unknown.length > 0 ? (
        <Words tone="ember" bold>
          {`Nothing is known for {${unknown.join('}, {')}}: left out, unless you write it by hand.`}
        </Words>
      ) : null}
      {isTold ? (
        <Words size="small" tone="inkQuiet">
          {addresses.length > 0
            ? `Home: ${listed(addresses)}`
            : 'No guardian has an address here: only noted.'}
        </Words>
      ) : null}
    </View>
  );
}
