import { many } from '@slate-path/core/words/many';
import { Words } from '../../parts/Words';

interface EarlierProps {
  answer: { earlier: { active: number; actions: number }; days: readonly { count: number }[] };
  students: number;
  active: number;
}

/** Beside the same length of time before. */
export function Earlier({ answer: { earlier, days }, students, active }: EarlierProps) {
  const actions = days.reduce((sum, { count }) => sum + count, 0);
  return (
    <Words tone="inkQuiet" figures>
      {`${many(actions, 'action')} of ${active} of ${students} students; in as many days before it ${
        earlier.actions === 0 ? 'none' : `${earlier.actions} of ${earlier.active}`
      }.`}
    </Words>
  );
}
