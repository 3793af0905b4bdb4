import { useCallback, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { shownNames } from '@slate-path/core/attendance/checkIn/shownNames';
import { displayName } from '@slate-path/core/people/names';
import type { Student, TickColumn } from '@slate-path/core/records/schema';
import { leftToPay, tickState } from '@slate-path/core/ticks/tickState';
import { moneyWords, tickWords } from '@slate-path/core/ticks/tickWords';
import { Board } from '../../parts/Board';
import { useWide } from '../../theme/theme';
import { dayShown } from './dayShown';
import { tapped, type Hand } from './hands';
import { setCells, today } from './ticking';
import { TickTile } from './TickTile';
import { useTickOf, type TickOf } from './useSheet';
import { ValueSheet } from './ValueSheet';

interface TickBoardProps {
  column: TickColumn;
  students: readonly Student[];
  hand: Hand;
  /** In the lesson, where there is one. */
  isAway?: (studentId: string) => boolean;
}

/** What stands beside the sign: nothing where the sign says it all. */
function besideSign(column: TickColumn, tick: ReturnType<TickOf>): string {
  const words = tickWords(column, tick, dayShown);
  // What is left is what one looks for; the sheet has both.
  if (column.kind === 'fee' && tickState(column, tick) === 'part')
    return `lacks ${moneyWords(leftToPay(column, tick), column.unit)}`;
  if (tick?.exempt) return '';
  return words === 'yes' ? '' : words;
}

/** The class with one column: a tap says what is in hand, or asks for what is to stand there. */
export function TickBoard({ column, students, hand, isAway }: TickBoardProps) {
  const wide = useWide();
  const tickOf = useTickOf();
  const [asked, setAsked] = useState<string | null>(null);
  const names = useMemo(
    () => new Map(shownNames([...students], true).map(({ id, name }) => [id, name])),
    [students],
  );
  // One function for all tiles and pictures, so that a tap draws one tile.
  const latest = useRef({ column, tickOf, hand });
  latest.current = { column, tickOf, hand };
  const onTap = useCallback((studentId: string) => {
    const { column: of, tickOf: find, hand: held } = latest.current;
    const cell = tapped(held, find(of, studentId), today());
    if (cell) setCells(of, [[studentId, cell]]);
    else setAsked(studentId);
  }, []);
  const student = students.find(({ id }) => id === asked);
  return (
    <View style={{ flex: 1 }}>
      <Board
        name={column.name}
        tiles={students}
        tile={(one, { height }) => {
          const tick = tickOf(column, one.id);
          return (
            <TickTile
              key={one.id}
              studentId={one.id}
              name={wide ? displayName(one) : (names.get(one.id) ?? '')}
              fullName={displayName(one)}
              state={tickState(column, tick)}
              words={besideSign(column, tick)}
              away={isAway?.(one.id) ?? false}
              hand={hand.label}
              height={height}
              onTap={onTap}
            />
          );
        }}
      />
      {student ? (
        <ValueSheet
          column={column}
          student={student}
          tick={tickOf(column, student.id)}
          onClose={() => {
            setAsked(null);
          }}
        />
      ) : null}
    </View>
  );
}
