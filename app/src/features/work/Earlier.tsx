import { Words } from '../../parts/Words';

interface EarlierProps {
  answer: { earlier: { active: number; actions: number }; days: readonly { count: number }[] };
  span: { words: string };
  students: number;
  active: number;
}

/** Beside the same length of time before. */
export function Earlier({ answer: { earlier, days }, students, active }: EarlierProps) {
  const actions = days.reduce((sum, { count }) => sum + count, 0);
  return (
    <Words tone="inkQuiet" figures>
      {`${actions} actions of ${active} of ${students} students; in as many days before it ${earlier.actions} of ${earlier.active}.`}
    </Words>
  );
}
