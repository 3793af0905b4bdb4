import { useEffect } from 'react';
import type { Lesson } from '@slate-path/core/records/schema';
import { standingFor } from '@slate-path/core/attendance/roll/standings';
import { localMoment } from '@slate-path/core/calendar/zone';
import { isDialogOpen } from '../../../parts/useDialog';
import { now, zoneOf } from '../../../sync/clock';
import { takeBack } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { historyOf } from './lessons';
import type { LessonRow } from './lessonRow';
import { chooseStanding } from './marking';

interface LessonKeys {
  /** Off while letters mean something else. */
  on: boolean;
  lesson: Lesson;
  rows: readonly LessonRow[];
  /** Students under each other on the board; 0 for a list. */
  columnLength: number;
  previous: () => void;
  next: () => void;
}

const kinds = { h: 'here', l: 'late', e: 'left_early', a: 'away', x: 'away', s: 'not_counted' } as const;

const isOn = ({ student }: LessonRow) => document.activeElement?.id === `row-${student.id}`;

function focusRow(rows: readonly LessonRow[], by: number): void {
  const at = rows.findIndex(isOn);
  const next = rows[at < 0 ? 0 : Math.min(Math.max(at + by, 0), rows.length - 1)];
  if (next) document.getElementById(`row-${next.student.id}`)?.focus();
}

/** Marks the student whose row has the focus. */
function markFocused({ rows }: LessonKeys, key: keyof typeof kinds): void {
  const row = rows.find(isOn);
  const { standing, school } = useRecords.getState().current;
  const listed = Object.values(standing).filter((s) => !s.removed);
  const chosen = standingFor(listed, kinds[key], key === 'x');
  if (!row || !chosen) return;
  const { lesson } = row;
  const { date, time } = localMoment(now(), zoneOf(Object.values(school)[0]));
  const on = date === lesson.date && time >= lesson.startsAt && time <= lesson.endsAt;
  const arrivedAt = key === 'l' ? (on ? time : null) : key === 'e' ? (row.mark?.arrivedAt ?? null) : null;
  chooseStanding(lesson, row.student.id, chosen, { arrivedAt, leftAt: key === 'e' && on ? time : null });
}

/** From column to column of the board, where one of its tiles has the focus; else from lesson to lesson. */
function sideways({ rows, columnLength, previous, next }: LessonKeys, by: 1 | -1): () => void {
  if (columnLength === 0 || !rows.some(isOn)) return by < 0 ? previous : next;
  return () => {
    const to = rows.findIndex(isOn) + by * columnLength;
    if (to >= 0 && to < rows.length) focusRow(rows, by * columnLength);
  };
}

/** Letters mean something else: somebody types, or a dialog is open. */
export function typing(): boolean {
  if (isDialogOpen()) return true;
  const tag = document.activeElement?.tagName;
  return tag === 'INPUT' || tag === 'TEXTAREA';
}

/** Keys of the roll: arrows move (sideways on a board from column to column), letters mark, U takes back. */
export function useLessonKeys(keys: LessonKeys): void {
  useEffect(() => {
    if (!keys.on) return undefined;
    const onKey = (event: KeyboardEvent) => {
      if (typing() || event.ctrlKey || event.metaKey || event.altKey) return;
      const key = event.key.toLowerCase();
      const actions: Record<string, () => void> = {
        arrowdown: () => {
          focusRow(keys.rows, 1);
        },
        arrowup: () => {
          focusRow(keys.rows, -1);
        },
        arrowleft: sideways(keys, -1),
        arrowright: sideways(keys, 1),
        u: () => {
          takeBack(historyOf(keys.lesson));
        },
      };
      const action = actions[key];
      if (action) action();
      else if (key in kinds) markFocused(keys, key as keyof typeof kinds);
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  });
}
