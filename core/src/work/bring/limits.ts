import type { TableLimits } from '../../formats/table';

/** A file of a learning platform may have so many rows, and so many bytes. */
export const workLimits: TableLimits = { bytes: 50_000_000, rows: 1_000_000, what: 'a file of work' };
