import type { FileFormat } from '@slate-path/core/api/endpoint';
import type { NameOrder } from '@slate-path/core/people/names';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import type { RollRange } from './readRoll';

/** Which rolls are wanted as a file, and in which form. */
export interface RollFileRequest extends RollRange {
  format: FileFormat;
  /** What a PDF shows. */
  detail: 'lessons' | 'totals';
  paper: PaperSize;
  order: NameOrder;
}
