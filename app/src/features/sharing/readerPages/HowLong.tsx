import { View } from 'react-native';
import { DateField } from '../../../parts/DateField';
import { Field } from '../../../parts/Field';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import type { PageForm } from './form';

interface HowLongProps {
  form: PageForm;
  errorOf: (field: string) => string | undefined;
  onChange: (some: Partial<PageForm>) => void;
}

/** Of which days a page tells, how long it opens, and for whom besides. */
export function HowLong({ form, errorOf, onChange }: HowLongProps) {
  return (
    <View style={{ gap: space(2) }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(3) }}>
        <DateField
          label="Tells of the days from"
          value={form.from}
          onChange={(from) => {
            onChange({ from });
          }}
          error={errorOf('settings.from')}
          width={200}
        />
        {form.isKeptUp ? null : (
          <DateField
            label="to"
            value={form.to}
            onChange={(to) => {
              onChange({ to });
            }}
            error={errorOf('settings.to')}
            width={200}
          />
        )}
        <DateField
          label="Opens until"
          value={form.until}
          onChange={(until) => {
            onChange({ until });
          }}
          error={errorOf('until')}
          width={200}
        />
      </View>
      <TickRow
        name="Kept up to date, as long as it opens"
        ticked={form.isKeptUp}
        onChange={(isKeptUp) => {
          onChange({ isKeptUp });
        }}
      >
        <Words>Kept up to date, as long as it opens</Words>
      </TickRow>
      <TickRow
        name="They may write back a few words, which you get as a note of your own"
        ticked={form.mayWriteBack}
        onChange={(mayWriteBack) => {
          onChange({ mayWriteBack });
        }}
      >
        <Words>They may write back a few words, which you get as a note of your own</Words>
      </TickRow>
      <Field
        label="A code to be asked for (may stay empty; tell it in another way)"
        value={form.code}
        onChange={(code) => {
          onChange({ code });
        }}
        error={errorOf('code')}
      />
    </View>
  );
}
