import { useCallback, useEffect, useState, type CSSProperties, type KeyboardEvent } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Student, TickColumn } from '@slate-path/core/records/schema';
import { columnSentence } from '@slate-path/core/ticks/columnSentence';
import { holdsWords } from '@slate-path/core/ticks/legendTable';
import { loadDateReader } from '../../forms/readDate';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space, target } from '../../theme/tokens';
import { TickCell } from './TickCell';
import { sumsOf, type Sheet } from './useSheet';

interface TickGridProps {
  sheet: Sheet;
  /** Those that are shown; the sums are of all. */
  students: readonly Student[];
  onOpen: (columnId: string) => void;
}

const nameWidth = 220;
const widths: Record<TickColumn['kind'], number> = {
  ...{ tick: 112, ofMany: 112, number: 112, text: 168, date: 120, choice: 144, fee: 152 },
};

/** Arrows and Enter go from cell to cell; a space ticks. */
function onKeys(event: KeyboardEvent<HTMLElement>): void {
  const cell = event.target as HTMLElement;
  const { row, at } = cell.dataset;
  if (row === undefined || at === undefined) return;
  const isField = cell instanceof HTMLInputElement;
  const atStart = !isField || (cell.selectionStart === 0 && cell.selectionEnd === cell.value.length);
  const ways: Record<string, readonly [down: number, across: number]> = {
    ...{ ArrowDown: [1, 0], Enter: [1, 0], ArrowUp: [-1, 0] },
    ...(atStart ? { ArrowRight: [0, 1] as const, ArrowLeft: [0, -1] as const } : {}),
  };
  if (!isField && (event.key === ' ' || event.key.toLowerCase() === 'x')) {
    event.preventDefault();
    cell.click();
    return;
  }
  const way = ways[event.key];
  if (!way) return;
  event.preventDefault();
  const [down, across] = way;
  const cellAt = (line: number, place: number) =>
    event.currentTarget.querySelector<HTMLElement>(`[data-row="${line}"][data-at="${place}"]`);
  const next = cellAt(Number(row) + down, Number(at) + across);
  // From the last student on to the next column, as one reads a page down.
  (next ?? (event.key === 'Enter' ? cellAt(0, Number(at) + 1) : null))?.focus();
}

/** The whole sheet: a row a student, a column a column; their sums stand with their names. */
export function TickGrid({ sheet, students, onOpen }: TickGridProps) {
  const palette = usePalette();
  useEffect(() => void loadDateReader(), []);
  const { columns, tickOf } = sheet;
  const [problems, setProblems] = useState<ReadonlyMap<string, string>>(new Map());
  const onProblem = useCallback((cellId: string, problem: string | null) => {
    setProblems((before) => {
      if ((before.get(cellId) ?? null) === problem) return before;
      const next = new Map(before);
      if (problem === null) next.delete(cellId);
      else next.set(cellId, problem);
      return next;
    });
  }, []);
  const names: CSSProperties = {
    ...{ position: 'sticky', left: 0, zIndex: 1, width: nameWidth, flexShrink: 0, boxSizing: 'border-box' },
    ...{ background: palette.surface, borderBottom: `1px solid ${palette.line}`, padding: '0 12px' },
    ...{ display: 'flex', alignItems: 'center' },
  };
  return (
    <View style={{ gap: space(2) }}>
      <View aria-live="polite">
        {[...problems].map(([cellId, problem]) => (
          <Words key={cellId} tone="clay">
            {problem}
          </Words>
        ))}
      </View>
      <div
        role="group"
        aria-label="The tick-sheet"
        onKeyDown={onKeys}
        style={{
          overflow: 'auto',
          maxHeight: 'calc(100vh - 240px)',
          border: `1px solid ${palette.line}`,
          borderRadius: 10,
          background: palette.surface,
        }}
      >
        <div
          style={{
            ...{ display: 'flex', width: 'max-content', background: palette.surface },
            ...{ position: 'sticky', top: 0, zIndex: 2 },
          }}
        >
          <div style={{ ...names, alignItems: 'flex-end', paddingBottom: 8 }}>
            <Words size="small" tone="inkQuiet">
              Arrows and Enter move, a space ticks
            </Words>
          </div>
          {columns.map((column) => {
            const sums = sumsOf(sheet, column);
            const { have, owe, owing } = columnSentence(column, sums);
            return (
              <TapArea
                key={column.id}
                name={`${column.name}: ${have}; ${owe}. Open the column`}
                onTap={() => {
                  onOpen(column.id);
                }}
                style={{
                  width: widths[column.kind],
                  paddingHorizontal: space(2),
                  paddingVertical: space(2),
                  justifyContent: 'flex-end',
                  borderLeftWidth: 1,
                  borderBottomWidth: 1,
                  borderColor: palette.line,
                  minHeight: target,
                }}
              >
                <Words size="small" tone="inkQuiet" figures>
                  {String(column.number)}
                </Words>
                <Words bold tone="slate" lines={3}>
                  {column.name}
                </Words>
                <Words size="small" tone="inkQuiet" lines={1}>
                  {column.kind === 'tick'
                    ? `${sums.done} of ${sums.asked}`
                    : column.kind === 'choice'
                      ? ''
                      : holdsWords(column)}
                </Words>
                <Words size="small" tone="inkQuiet" lines={2}>
                  {owing === 0 ? 'none missing' : `${owing} missing`}
                </Words>
              </TapArea>
            );
          })}
        </div>
        {students.map((student, row) => (
          <div key={student.id} style={{ display: 'flex', width: 'max-content' }}>
            <div style={{ ...names, height: target }}>
              <Words lines={1}>{displayName(student)}</Words>
            </div>
            {columns.map((column, at) => (
              <TickCell
                key={column.id}
                column={column}
                studentId={student.id}
                studentName={displayName(student)}
                tick={tickOf(column, student.id)}
                width={widths[column.kind]}
                row={row}
                at={at}
                onProblem={onProblem}
              />
            ))}
          </div>
        ))}
      </div>
    </View>
  );
}
