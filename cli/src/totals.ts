import { archiveTotals } from '@slate-path/core/keeping/archive/archiveTotals';
import { archiveOf } from './archive';
import { print } from './input';

interface TotalsOptions {
  archive: string;
  from: string;
  to: string;
  json?: boolean;
}

/** `slate totals`: one line per enrolment that touches the range. */
export function totals({ archive, from, to, json }: TotalsOptions): void {
  print(archiveTotals(archiveOf(archive), from, to), json);
}
