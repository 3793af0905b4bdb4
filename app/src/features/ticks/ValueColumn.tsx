import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Student, Tick, TickColumn } from '@slate-path/core/records/schema';
import { tickState } from '@slate-path/core/ticks/tickState';
import { tickWords } from '@slate-path/core/ticks/tickWords';
import { Card } from '../../parts/Card';
import { TapArea } from '../../parts/TapArea';
import { FieldInColumn, useFieldsBelow } from '../../parts/TypedColumn';
import { Words } from '../../parts/Words';
import { loadDateReader } from '../../forms/readDate';
import { usePalette } from '../../theme/theme';
import { space, target } from '../../theme/tokens';
import { dayShown } from './dayShown';
import { setCells } from './ticking';
import { TickSign, tickStateWords } from './TickSign';
import { cellOf, readTyped, writtenOf } from './typing';
import type { TickOf } from './useSheet';

interface ValueColumnProps {
  column: TickColumn;
  students: readonly Student[];
  tickOf: TickOf;
  onOpen: (studentId: string) => void;
  /** Behind the last student, with Enter: on to the next column. */
  onEnd?: () => void;
  /** Come to from the column before: the first field is typed in at once. */
  begins?: boolean;
}

/** A column down the class, one under the other: typed, and on with Enter or the arrows. */
export function ValueColumn({ column, students, tickOf, onOpen, onEnd, begins = false }: ValueColumnProps) {
  const { list, goTo } = useFieldsBelow(onEnd);
  useEffect(() => void loadDateReader(), []);
  useEffect(() => {
    if (begins) (list.current as unknown as HTMLElement | null)?.querySelector('input')?.focus();
  }, [begins, list]);
  return (
    <Card style={{ padding: 0, maxWidth: 560 }}>
      <View ref={list}>
        {students.map((student, index) => (
          <ValueRow
            key={student.id}
            column={column}
            student={student}
            tick={tickOf(column, student.id)}
            onOpen={onOpen}
            onMove={(by) => {
              goTo(index + by);
            }}
          />
        ))}
      </View>
    </Card>
  );
}

interface ValueRowProps {
  column: TickColumn;
  student: Student;
  tick: Tick | undefined;
  onOpen: (studentId: string) => void;
  onMove: (by: number) => void;
}

function ValueRow({ column, student, tick, onOpen, onMove }: ValueRowProps) {
  const palette = usePalette();
  const [typed, setTyped] = useState<string | null>(null);
  const kept = writtenOf(tick);
  const name = displayName(student);
  const read = readTyped(column, typed ?? kept);
  const wrong = 'problem' in read ? read.problem : null;
  const state = tickState(column, tick);
  const keep = () => {
    if (typed === null || 'problem' in read) return;
    if (typed !== kept) setCells(column, [[student.id, cellOf(read, tick)]]);
    setTyped(null);
  };
  return (
    <View
      testID="value-row"
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: space(3),
        paddingHorizontal: space(3),
        paddingVertical: space(1),
        borderTopWidth: 1,
        borderColor: palette.line,
      }}
    >
      <TapArea
        name={`${name}: more of it`}
        onTap={() => {
          onOpen(student.id);
        }}
        style={{ flex: 1, minHeight: target, justifyContent: 'center' }}
      >
        <Words lines={1}>{name}</Words>
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(1) }}>
          {wrong === null ? <TickSign state={state} size={14} /> : null}
          <Words size="small" tone={wrong === null ? 'inkQuiet' : 'clay'} lines={wrong === null ? 1 : 3}>
            {wrong ?? (tickWords(column, tick, dayShown) || tickStateWords[state])}
          </Words>
        </View>
      </TapArea>
      <FieldInColumn
        value={typed ?? kept}
        onChange={setTyped}
        onLeave={keep}
        onMove={onMove}
        name={`${column.name} of ${name}`}
        wrong={wrong !== null}
        decimal={['number', 'ofMany', 'fee'].includes(column.kind)}
        width={column.kind === 'text' || column.kind === 'choice' ? 168 : 96}
      />
    </View>
  );
}
