import { addressOf, type Address } from '@slate-path/core/api/address';
import type { FileFormat } from '@slate-path/core/api/endpoint';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import type { NameOrder } from '@slate-path/core/people/names';

export interface Span {
  from: string;
  to: string;
}

/** Where the server gives a class's roll over some days as a file. */
export function rollFileAddress(
  sectionId: string,
  { from, to }: Span,
  format: FileFormat,
  order: NameOrder = 'given',
  paper?: PaperSize,
): Address<'rollFile'> {
  return addressOf('rollFile', { sectionId, from, to, format, order, paper });
}
