import { useState } from 'react';
import { isDate } from '@slate-path/core/calendar/isDate';
import { daysBetween } from '@slate-path/core/calendar/localTime';
import { Action } from '../../parts/Action';
import { DateField } from '../../parts/DateField';
import { Sheet } from '../../parts/Sheet';
import { readDate } from '../../forms/readDate';

interface SpanSheetProps {
  from: string;
  to: string;
  onChoose: (range: { from: string; to: string }) => void;
  onClose: () => void;
}

/** Any first and last day. */
export default function SpanSheet({ from, to, onChoose, onClose }: SpanSheetProps) {
  const [first, setFirst] = useState(from);
  const [last, setLast] = useState(to);
  const [error, setError] = useState<{ first?: string; last?: string }>({});
  const accept = () => {
    const range = { from: readDate(first), to: readDate(last) };
    if (!isDate(range.from)) setError({ first: 'Which day? As 23 November or 2026-11-23.' });
    else if (!isDate(range.to)) setError({ last: 'Which day? As 23 November or 2026-11-23.' });
    else if (range.to < range.from) setError({ last: 'The last day is before the first.' });
    else if (daysBetween(range.from, range.to) > 400) setError({ last: 'At most 400 days at once.' });
    else onChoose(range);
  };
  return (
    <Sheet title="Which days" onClose={onClose}>
      <DateField label="First day" value={first} onChange={setFirst} error={error.first} />
      <DateField label="Last day" value={last} onChange={setLast} error={error.last} onSubmit={accept} />
      <Action label="Show them" kind="main" onPress={accept} />
    </Sheet>
  );
}
