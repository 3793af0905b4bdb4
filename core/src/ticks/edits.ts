import type { z } from 'zod';
import type { Edit, EditsByKind } from '../changes/edit';
import type { ColumnToSet, tickChanges, TickToSet } from './changes';
import { tickId } from './tickId';

const setColumn = ({ id, ...values }: z.output<typeof ColumnToSet>): Edit[] => [
  { op: 'make', table: 'tickColumn', id, values },
  { op: 'set', table: 'tickColumn', id, values },
];

function setTick({ columnId, studentId, ...values }: TickToSet): Edit[] {
  const id = tickId(columnId, studentId);
  const nothing = { value: null, on: null, owes: null, exempt: false };
  return [
    { op: 'make', table: 'tick', id, values: { ...nothing, ...values, columnId, studentId } },
    { op: 'set', table: 'tick', id, values },
  ];
}

export const tickEdits: EditsByKind<typeof tickChanges> = {
  'tickColumn.set': ({ columns }) => columns.flatMap(setColumn),
  'tickColumn.remove': ({ ids }) =>
    ids.map((id) => ({ op: 'set', table: 'tickColumn', id, values: { removed: true } }) as const),
  'tick.set': ({ ticks }) => ticks.flatMap(setTick),
  'ticks.bring': ({ columns, ticks }) => [...columns.flatMap(setColumn), ...ticks.flatMap(setTick)],
};
