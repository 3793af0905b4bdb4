import { many } from '@slate-path/core/words/many';
import { space } from '../theme/tokens';
import { Card } from '../parts/Card';
import { Words } from '../parts/Words';

interface LinesSaidProps {
  title: string;
  /** The first of them at least. */
  lines: readonly { line: number; reason: string }[];
  /** How many there are in all. */
  count: number;
}

/** So many are shown. */
const most = 50;

/** Lines of a file with what is said of them. */
export default function LinesSaid({ title, lines, count }: LinesSaidProps) {
  if (count === 0) return null;
  return (
    <Card style={{ gap: space(1) }}>
      <Words size="large" serif heading={2}>{`${title}: ${many(count, 'line')}`}</Words>
      {lines.slice(0, most).map(({ line, reason }, index) => (
        <Words key={index} size="small" tone="inkQuiet">
          {`Line ${line}: ${reason}`}
        </Words>
      ))}
      {count > most ? <Words size="small" tone="inkQuiet">{`And ${count - most} more.`}</Words> : null}
    </Card>
  );
}
