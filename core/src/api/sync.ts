import { z } from 'zod';
import { tableNames } from '../records/tables';
import { rows, type Endpoint } from './endpoint';

const everyTable = Object.fromEntries(tableNames.map((table) => [table, rows(table).optional()])) as {
  [T in (typeof tableNames)[number]]: z.ZodOptional<ReturnType<typeof rows<T>>>;
};

export const syncEndpoints = {
  sync: {
    summary:
      'Records by difference: those that changed since a cursor, in pages. Without one, or with one that is good no more, all that a device holds.',
    query: z.object({ cursor: z.string().max(8000).optional() }),
    answer: z.object({
      ...everyTable,
      /** What the device held before is to be forgotten: this is the first page of all of it. */
      anew: z.boolean(),
      /** To ask with the next time. */
      cursor: z.string(),
      /** There is another page. */
      more: z.boolean(),
    }),
  },
} satisfies Record<string, Endpoint>;
