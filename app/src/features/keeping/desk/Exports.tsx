import Download from 'lucide-react-native/icons/download';
import { useState } from 'react';
import { View } from 'react-native';
import { monthSpan, nextMonth } from '@slate-path/core/calendar/localTime';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { monthName } from '../../../parts/dates';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { FileAction } from '../../../files/FileAction';
import { useNow } from '../../../sync/clock';
import { useSections } from '../../../sync/sections';
import { rollFileAddress } from '../../attendance/totals/rollFileAddress';

/** A month of a class as a file that any table program reads. */
export function Exports() {
  const now = useNow();
  const sections = useSections();
  const months = [0, -1, -2, -3].map((by) => nextMonth(now.date.slice(0, 7), by));
  const [month, setMonth] = useState(months[0] ?? '');
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Month as CSV
      </Words>
      <Words tone="inkQuiet">A student a row, a lesson a column, all totals. Lessons not taken say so.</Words>
      <Choice
        name="Month"
        value={month}
        options={months.map((value) => ({ value, label: monthName(value) }))}
        onChange={setMonth}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        {sections.map(({ id, name }) => (
          <FileAction
            key={id}
            label={name}
            name={`Save ${name}, ${monthName(month)}, as CSV`}
            icon={Download}
            address={rollFileAddress(id, monthSpan(month), 'csv')}
          />
        ))}
      </View>
    </Card>
  );
}
