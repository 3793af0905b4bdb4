import FileUp from 'lucide-react-native/icons/file-up';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { Action } from '../parts/Action';
import { Card } from '../parts/Card';
import { Field } from '../parts/Field';
import { Words } from '../parts/Words';
import { Typing } from '../parts/Typing';
import { space } from '../theme/tokens';

interface ListSourceProps {
  /** What can be brought, in a sentence or two. */
  children: string;
  /** What it is called, for those who listen. */
  name: string;
  /** What is pasted, as the end of "paste the ...". */
  what: string;
  /** Endings of files, with commas. */
  accept: string;
  /** Why the last one could not be read. */
  problem: string | undefined;
  onRead: (list: Blob) => void;
  /** What is pasted is kept under this name until it was accepted (`forgetTyped`). */
  about: string;
  /** Begins the names by which tests find the parts. */
  testID: string;
}

/** A list from a file, or pasted from anywhere. */
export default function ListSource({
  children,
  name,
  what,
  accept,
  problem,
  onRead,
  about,
  testID,
}: ListSourceProps) {
  const picker = useRef<HTMLInputElement>(null);
  const [pasted, setPasted] = useState('');
  return (
    <Card style={{ gap: space(3) }}>
      <input
        ref={picker}
        type="file"
        data-testid={`${testID}-file`}
        aria-label={name}
        accept={accept}
        style={{ display: 'none' }}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onRead(file);
        }}
      />
      <Words>{children}</Words>
      <View style={{ alignItems: 'flex-start' }}>
        <Action label="Choose a file" icon={FileUp} kind="main" onPress={() => picker.current?.click()} />
      </View>
      <Typing about={about}>
        <Field
          label={`Or paste the ${what} here`}
          value={pasted}
          onChange={setPasted}
          multiline
          testID={`${testID}-paste`}
        />
      </Typing>
      {pasted.trim() ? (
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label="Read what I pasted"
            onPress={() => {
              onRead(new Blob([pasted]));
            }}
          />
        </View>
      ) : null}
      {problem ? (
        <Words tone="ember" live testID={`${testID}-problem`}>
          {problem}
        </Words>
      ) : null}
    </Card>
  );
}
