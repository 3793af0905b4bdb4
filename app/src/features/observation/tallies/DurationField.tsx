import { useState } from 'react';
import { View } from 'react-native';
import { durationWords, readDuration } from '@slate-path/core/observation/tallies/duration';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { space } from '../../../theme/tokens';

interface DurationFieldProps {
  label: string;
  /** Seconds, as they are. */
  from: number;
  /** The longest that can be, in seconds. */
  most: number;
  onAccept: (seconds: number) => void;
}

/** How long something was, to be set right: in minutes and seconds, as people write them. */
export function DurationField({ label, from, most, onAccept }: DurationFieldProps) {
  const [typed, setTyped] = useState(durationWords(from));
  const [error, setError] = useState<string>();
  const accept = () => {
    const seconds = readDuration(typed);
    if (seconds === null) setError('A time looks like 3 min 20 s, or 3:20');
    else if (seconds > most) setError(`At most ${durationWords(most)}`);
    else onAccept(seconds);
  };
  return (
    <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: space(2), flexWrap: 'wrap' }}>
      <Field label={label} value={typed} onChange={setTyped} width={170} error={error} onSubmit={accept} />
      <Action label="Set right" name={`Set ${label} right`} kind="main" onPress={accept} />
    </View>
  );
}
