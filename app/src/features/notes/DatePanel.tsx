import { useState } from 'react';
import { View } from 'react-native';
import { isDate } from '@slate-path/core/calendar/isDate';
import type { Corrections } from '@slate-path/core/notes/links';
import { Action } from '../../parts/Action';
import { DateField } from '../../parts/DateField';
import { readDate } from '../../forms/readDate';
import { useNow } from '../../sync/clock';
import { space } from '../../theme/tokens';

/** Another day to look again, or none. */
export function DatePanel({
  date,
  onCorrect,
}: {
  date: string | null;
  onCorrect: (news: Partial<Corrections>) => void;
}) {
  const now = useNow();
  const [typed, setTyped] = useState(date ?? '');
  const read = readDate(typed);
  const isDay = isDate(read);
  const error =
    typed === '' || (isDay && read > now.date) ? undefined : 'A day to come looks like 2026-12-03';
  const choose = () => {
    if (isDay && read > now.date) onCorrect({ lookAgainOn: read });
  };
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', gap: space(2) }}>
      <DateField
        label="Look again on"
        value={typed}
        width={200}
        error={error}
        onChange={setTyped}
        onSubmit={choose}
      />
      <Action label="This day" disabled={!isDay || error !== undefined} onPress={choose} />
      {date === null ? null : (
        <Action
          label="No day"
          onPress={() => {
            onCorrect({ lookAgainOn: null });
          }}
        />
      )}
    </View>
  );
}
