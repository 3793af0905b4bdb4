import { z } from 'zod';
import { changeKind } from '../changes/kind';
import { Id, recordFields } from '../records/schema';
import { mostColumnsAtOnce, mostTicksAtOnce } from './limits';
import { ticksHistory } from './tickId';

const history = () => ticksHistory;
const { tick, tickColumn } = recordFields;

export const ColumnToSet = tickColumn
  .extend({ id: Id })
  .strict()
  .refine(({ kind, most }) => kind !== 'ofMany' || (most !== null && most > 0), {
    path: ['most'],
    message: 'Of how many?',
  })
  .refine(({ kind, choices }) => kind !== 'choice' || choices.length > 0, {
    path: ['choices'],
    message: 'Between what can be chosen?',
  });

/** What is not said stays as it is. */
export const TickToSet = tick.partial({ value: true, on: true, owes: true, exempt: true }).strict();
export type TickToSet = z.output<typeof TickToSet>;

export const tickChanges = {
  // New ones, or as they are now; of one class or of several.
  'tickColumn.set': changeKind(
    z.strictObject({ columns: z.array(ColumnToSet).min(1).max(mostColumnsAtOnce) }),
    history,
  ),
  // What stands in them is kept with them.
  'tickColumn.remove': changeKind(
    z.strictObject({ ids: z.array(Id).min(1).max(mostColumnsAtOnce) }),
    history,
  ),
  'tick.set': changeKind(z.strictObject({ ticks: z.array(TickToSet).min(1).max(mostTicksAtOnce) }), history),
  // What a file says, as one.
  'ticks.bring': changeKind(
    z.strictObject({
      columns: z.array(ColumnToSet).max(mostColumnsAtOnce),
      ticks: z.array(TickToSet).max(5000),
    }),
    history,
  ),
};
