import { useMemo } from 'react';
import { shownNames } from '@slate-path/core/attendance/checkIn/shownNames';
import type { LessonRow } from './lessonRow';

/** The short names of a roll, told apart where two would be the same. */
export function useShownNames(rows: readonly LessonRow[]): Map<string, string> {
  return useMemo(() => {
    const students = rows.map(({ student }) => student);
    return new Map(shownNames(students, true).map(({ id, name }) => [id, name]));
  }, [rows]);
}
