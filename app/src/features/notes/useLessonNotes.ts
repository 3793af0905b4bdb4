import { useCallback } from 'react';
import { localMoment } from '@slate-path/core/calendar/zone';
import { useRecordsAfterPaint } from '../../sync/afterPaint';
import { zoneOf } from '../../sync/clock';
import type { RecordsState } from '../../sync/useRecords';
import { latestNotes } from './ties';

/** The times of a lesson's notes, one frame late: the roll comes first. */
export function useNoteTimes(lessonId: string): string[] {
  const timesOf = useCallback(
    ({ current }: RecordsState) => {
      const zone = zoneOf(Object.values(current.school)[0]);
      return (
        latestNotes(current)
          .filter((note) => note.lessonId === lessonId)
          .map(({ happenedAt, at }) => happenedAt ?? localMoment(Date.parse(at), zone).time)
          // As text, so that a tap on the roll, which changes no note, draws nothing anew.
          .join(' ')
      );
    },
    [lessonId],
  );
  return useRecordsAfterPaint(timesOf).split(' ').filter(Boolean);
}
