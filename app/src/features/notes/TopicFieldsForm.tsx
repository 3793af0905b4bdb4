import { View } from 'react-native';
import type { Topic } from '@slate-path/core/records/schema';
import { Field } from '../../parts/Field';
import { TickRow } from '../../parts/TickRow';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';

export type TopicFieldValues = Pick<Topic, 'name' | 'trouble' | 'alsoCalled'>;

export const blankTopic: TopicFieldValues = { name: '', trouble: false, alsoCalled: [] };

interface TopicFieldsFormProps {
  fields: TopicFieldValues;
  errors: Record<string, string>;
  onChange: (fields: TopicFieldValues) => void;
}

/** What a topic is called, and whether it is a trouble. */
export function TopicFieldsForm({ fields, errors, onChange }: TopicFieldsFormProps) {
  return (
    <View style={{ gap: space(3) }}>
      <Field
        label="Name"
        value={fields.name}
        error={errors['name']}
        onChange={(name) => {
          onChange({ ...fields, name });
        }}
      />
      <Field
        label="Also called (between commas)"
        value={fields.alsoCalled.join(',')}
        error={errors['alsoCalled']}
        hint="Other words that mean it"
        onChange={(typed) => {
          onChange({ ...fields, alsoCalled: typed === '' ? [] : typed.split(',') });
        }}
      />
      <TickRow
        name="A trouble"
        ticked={fields.trouble}
        onChange={(trouble) => {
          onChange({ ...fields, trouble });
        }}
      >
        <Words>A trouble</Words>
        <Words size="small" tone="inkQuiet">
          Notes about it count when we look for who is struggling.
        </Words>
      </TickRow>
    </View>
  );
}
