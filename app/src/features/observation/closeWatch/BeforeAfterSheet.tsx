import { useState } from 'react';
import { View } from 'react-native';
import { words } from '@slate-path/core/observation/closeWatch/limits';
import { shippedAfters, shippedBefores } from '@slate-path/core/observation/closeWatch/shipped';
import type { Observation, ObservationEvent, ObservationPlan } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { setEvent } from './watching';

interface BeforeAfterSheetProps {
  session: Observation;
  plan: ObservationPlan | undefined;
  event: ObservationEvent;
  name: string;
  onClose: () => void;
}

interface OneOfProps {
  title: string;
  label: string;
  offered: readonly string[];
  value: string;
  onChange: (value: string) => void;
}

/** One of the words that are offered, or another one. */
function OneOf({ title, label, offered, value, onChange }: OneOfProps) {
  return (
    <View style={{ gap: space(2) }}>
      <Words bold heading={3}>
        {title}
      </Words>
      <Choice
        name={title}
        value={value}
        options={offered.map((word) => ({ value: word, label: word }))}
        onChange={(word) => {
          onChange(word === value ? '' : word);
        }}
      />
      <Field
        label={label}
        value={offered.includes(value) ? '' : value}
        onChange={(typed) => {
          onChange(typed.slice(0, words.longest));
        }}
      />
    </View>
  );
}

/** What came before something that was seen, and what followed. */
export function BeforeAfterSheet({ session, plan, event, name, onClose }: BeforeAfterSheetProps) {
  const [before, setBefore] = useState(event.before);
  const [after, setAfter] = useState(event.after);
  const offered = (own: readonly string[] | undefined, shipped: readonly string[]) =>
    own && own.length > 0 ? own : shipped;
  const keep = () => {
    setEvent(session, event, { before: before.trim(), after: after.trim() });
    onClose();
  };
  return (
    <Sheet title={`Before and after, ${name}`} note="The last time it was seen." onClose={onClose}>
      <OneOf
        title="What came before?"
        label="Other words for before"
        offered={offered(plan?.befores, shippedBefores)}
        value={before}
        onChange={setBefore}
      />
      <OneOf
        title="What followed?"
        label="Other words for after"
        offered={offered(plan?.afters, shippedAfters)}
        value={after}
        onChange={setAfter}
      />
      <Action label="Keep it" kind="main" onPress={keep} />
    </Sheet>
  );
}
