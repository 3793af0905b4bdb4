import { useState } from 'react';
import type { TickColumn } from '@slate-path/core/records/schema';
import { holdsWords } from '@slate-path/core/ticks/legendTable';
import { nextNumber } from '@slate-path/core/ticks/sheetTable';
import { ticksHistory } from '@slate-path/core/ticks/tickId';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../parts/Action';
import { SeveralOf } from '../../parts/SeveralOf';
import { Sheet } from '../../parts/Sheet';
import { TickRow } from '../../parts/TickRow';
import { Words } from '../../parts/Words';
import { makeChange, newId } from '../../sync/outbox';
import { useSections } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';
import { columnsOf } from './useSheet';

interface CopySheetProps {
  sectionId: string;
  columns: readonly TickColumn[];
  onClose: () => void;
}

/** Columns for other classes, or for the same one in a new term: without what stands in them. */
export function CopySheet({ sectionId, columns, onClose }: CopySheetProps) {
  const sections = useSections().filter(({ id }) => id !== sectionId);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set(columns.map(({ id }) => id)));
  const [into, setInto] = useState<ReadonlySet<string>>(new Set());
  const some = columns.filter(({ id }) => chosen.has(id));
  const copy = () => {
    const { current } = useRecords.getState();
    const made = [...into].flatMap((of) => {
      const first = nextNumber(columnsOf(current, of));
      return some.map(({ removed: _removed, ...column }, at) => ({
        ...column,
        ...{ id: newId(), sectionId: of, number: Math.min(first + at, 999), dueOn: null },
      }));
    });
    makeChange('tickColumn.set', { columns: made }, ticksHistory);
    onClose();
  };
  return (
    <Sheet
      title="Copy columns"
      note="Into other classes, without what stands in them and without their days"
      onClose={onClose}
    >
      {sections.length === 0 ? <Words>There is no other class yet.</Words> : null}
      <SeveralOf
        name="Into these classes"
        values={into}
        options={sections.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={setInto}
      />
      {columns.map((column) => (
        <TickRow
          key={column.id}
          name={column.name}
          ticked={chosen.has(column.id)}
          onChange={(ticked) => {
            const next = new Set(chosen);
            if (ticked) next.add(column.id);
            else next.delete(column.id);
            setChosen(next);
          }}
        >
          <Words bold>{column.name}</Words>
          <Words size="small" tone="inkQuiet">
            {holdsWords(column)}
          </Words>
        </TickRow>
      ))}
      <Action
        label={
          some.length === 0 || into.size === 0
            ? 'Choose columns and classes'
            : `Copy ${many(some.length, 'column')} into ${many(into.size, 'class', 'classes')}`
        }
        kind="main"
        disabled={some.length === 0 || into.size === 0}
        onPress={copy}
      />
    </Sheet>
  );
}
