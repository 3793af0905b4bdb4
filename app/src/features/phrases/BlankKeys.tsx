import { View } from 'react-native';
import { blankMeanings, blankNames, type BlankName } from '@slate-path/core/phrases/blanks';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { space, target } from '../../theme/tokens';

interface BlankKeysProps {
  /** What stands in the field. */
  text: string;
  /** Each with what it stands for, one under the other. */
  explained?: boolean;
  onChange: (text: string) => void;
}

const gap = (text: string) => (text === '' || /\s$/.test(text) ? '' : ' ');

/** The blanks, each put behind what is written with one tap: braces are far away on a phone's keys. */
export function BlankKeys({ text, explained = false, onChange }: BlankKeysProps) {
  const put = (name: BlankName) => () => {
    onChange(`${text}${gap(text)}{${name}}`);
  };
  return (
    <View role="group" aria-label="Put in a blank">
      <Words size="small" tone="inkQuiet">
        Tap to put in what is filled for each student:
      </Words>
      <View style={{ flexDirection: explained ? 'column' : 'row', flexWrap: 'wrap', columnGap: space(3) }}>
        {blankNames.map((name) => (
          <TapArea
            key={name}
            name={`{${name}}: ${blankMeanings[name]}`}
            testID="blank"
            onTap={put(name)}
            style={{
              flexDirection: 'row',
              alignItems: 'center',
              gap: space(2),
              minHeight: target,
              minWidth: target,
            }}
          >
            <Words bold tone="slate">{`{${name}}`}</Words>
            {explained ? (
              <Words size="small" tone="inkQuiet">
                {blankMeanings[name]}
              </Words>
            ) : null}
          </TapArea>
        ))}
      </View>
    </View>
  );
}
