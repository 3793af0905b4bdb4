import type { CountGrouping } from '@slate-path/core/observation/tallies/countsTable';
import type { NameOrder } from '@slate-path/core/people/names';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import type { CountRange } from './readCounts';

/** Which counts are wanted as a file, and in which form. */
export interface CountFileRequest extends CountRange {
  format: 'csv' | 'xlsx' | 'pdf';
  /** Which one a PDF is about; all of them otherwise. */
  lookForId?: string | undefined;
  paper: PaperSize;
  /** What stands in a line of the CSV; the workbook has a sheet for each. */
  by: CountGrouping;
  order: NameOrder;
}
