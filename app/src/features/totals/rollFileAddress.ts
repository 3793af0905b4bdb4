import type { NameOrder } from '@slate-path/core/people/names';

export interface Span {
  from: string;
  to: string;
}

/** Where the server gives a class's roll over some days as a file. */
export function rollFileAddress(
  sectionId: string,
  { from, to }: Span,
  format: 'csv' | 'xlsx' | 'html',
  order: NameOrder = 'given',
): string {
  const query = new URLSearchParams({ from, to, format, order });
  return `/api/sections/${encodeURIComponent(sectionId)}/roll?${query.toString()}`;
}
