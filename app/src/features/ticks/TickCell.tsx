import { memo, useEffect, useLayoutEffect, useRef, useState, type CSSProperties } from 'react';
import type { Tick, TickColumn } from '@slate-path/core/records/schema';
import { tickState } from '@slate-path/core/ticks/tickState';
import { tickWords } from '@slate-path/core/ticks/tickWords';
import { usePalette } from '../../theme/theme';
import { fonts, target, type } from '../../theme/tokens';
import { dayShown } from './dayShown';
import { handsOf, tapped } from './hands';
import { setCells, today } from './ticking';
import { TickSign, tickStateWords } from './TickSign';
import { cellOf, readTyped, writtenOf } from './typing';

interface TickCellProps {
  column: TickColumn;
  studentId: string;
  studentName: string;
  tick: Tick | undefined;
  width: number;
  /** By which keys find it. */
  row: number;
  at: number;
  /** What is wrong with what was typed here; null where nothing is. */
  onProblem: (cellId: string, problem: string | null) => void;
}

/** A cell of the sheet: a tick is tapped, all else typed in place. */
export const TickCell = memo(function TickCell(props: TickCellProps) {
  const { column, studentId, studentName, tick, width, row, at, onProblem } = props;
  const palette = usePalette();
  const [typed, setTyped] = useState<string | null>(null);
  const [focused, setFocused] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  // Before the next key: what stands there is typed over.
  useLayoutEffect(() => {
    if (focused) field.current?.select();
  }, [focused]);
  const state = tickState(column, tick);
  const shown = tickWords(column, tick, dayShown);
  const name = `${studentName}, ${column.name}: ${shown || tickStateWords[state]}`;
  const look: CSSProperties = {
    ...{ width, height: target, boxSizing: 'border-box', flexShrink: 0, padding: '0 8px' },
    ...{ borderStyle: 'solid', borderColor: palette.line, borderWidth: '0 0 1px 1px', borderRadius: 0 },
    ...{ color: palette.ink, fontFamily: fonts.text, fontSize: type.text.fontSize },
  };
  const place = { 'data-row': row, 'data-at': at };
  const read = readTyped(column, typed ?? writtenOf(tick));
  const wrong = typed !== null && 'problem' in read ? read.problem : null;
  const shownWrong = focused ? null : wrong;
  useEffect(() => {
    onProblem(`${column.id} ${studentId}`, shownWrong && `${studentName}, ${column.name}: ${shownWrong}`);
  }, [onProblem, shownWrong, column.id, column.name, studentId, studentName]);
  if (column.kind === 'tick')
    return (
      <span
        role="checkbox"
        aria-checked={state === 'exempt' ? 'mixed' : state === 'done'}
        aria-label={name}
        tabIndex={0}
        {...place}
        onClick={() => {
          const [hand] = handsOf(column);
          const cell = hand ? tapped(hand, tick, today()) : null;
          if (cell) setCells(column, [[studentId, cell]]);
        }}
        style={{
          ...look,
          display: 'flex',
          alignItems: 'center',
          justifyContent: 'center',
          cursor: 'pointer',
        }}
      >
        <TickSign state={state} size={20} />
      </span>
    );
  const keep = () => {
    setFocused(false);
    // What is wrong stays in sight, with what is wrong about it, until it is put right.
    if (typed === null || 'problem' in read) return;
    if (typed !== writtenOf(tick)) setCells(column, [[studentId, cellOf(read, tick)]]);
    setTyped(null);
  };
  return (
    <input
      aria-label={name}
      aria-invalid={wrong !== null}
      title={wrong ?? undefined}
      {...place}
      value={focused || typed !== null ? (typed ?? writtenOf(tick)) : shown}
      inputMode={['number', 'ofMany', 'fee'].includes(column.kind) ? 'decimal' : 'text'}
      ref={field}
      onFocus={() => {
        setFocused(true);
      }}
      onChange={(event) => {
        setTyped(event.target.value);
      }}
      onBlur={keep}
      style={{
        ...look,
        background: wrong === null ? 'transparent' : palette.surface,
        outlineColor: palette.slate,
        ...(wrong === null ? {} : { boxShadow: `inset 0 0 0 2px ${palette.clay}` }),
        textAlign: column.kind === 'text' || column.kind === 'choice' ? 'left' : 'right',
      }}
    />
  );
});
