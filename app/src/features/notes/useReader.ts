import { useEffect, useMemo, useState } from 'react';
import type { NoteReading } from '@slate-path/core/notes/readNote';
import { topicNames } from '@slate-path/core/notes/topics';
import { listOf } from '@slate-path/core/records/records';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { useNow } from '../../sync/clock';
import { remembered } from '../../sync/remembered';
import { useRecords } from '../../sync/useRecords';
import { useSync } from '../../sync/sync';

type Reading = typeof import('./reading');

/** What is understood of a text that was not read. */
export const unread: NoteReading = { students: [], topics: [], dates: [], times: [], lookAgainOn: null };

let loaded: Reading | null = null;

/** Fetches what reading needs. */
export async function loadReading(): Promise<Reading> {
  loaded ??= await import('./reading');
  return loaded;
}

/** What belongs to the roster and the topics is made once, and anew when they change. */
function indices(reading: Reading) {
  return {
    names: remembered(
      ({ student }) => [student],
      (records) => reading.nameIndex(listOf(records, 'student')),
    ),
    topics: remembered(
      ({ topic }) => [topic],
      ({ topic }) => reading.topicIndex(topicNames(topic)),
    ),
  };
}

let made: ReturnType<typeof indices> | null = null;

/**
 * Reads notes with this device's roster, topics and calendar. @returns null until all of that is here; where what
 * reads could not be fetched, notes stay unread
 */
export function useReader(sectionId: string | null): ((text: string) => NoteReading) | null {
  const now = useNow();
  const isSetUp = useSync() !== 'loading';
  const current = useRecords((state) => state.current);
  const [reading, setReading] = useState(loaded);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    if (reading) return;
    loadReading().then(setReading, () => {
      setFailed(true);
    });
  }, [reading]);
  const { term, dayOff, meeting, lesson, enrolment, section, student, topic } = current;
  const inHand = useMemo(() => {
    const together = new Set([sectionId, sectionId === null ? null : section[sectionId]?.taughtWithId]);
    const there = Object.values(enrolment).filter(
      (one) => !one.removed && together.has(one.sectionId) && isEnrolledOn(one, now.date),
    );
    return new Set(there.map(({ studentId }) => studentId));
  }, [enrolment, section, sectionId, now.date]);
  const days = useMemo(() => {
    const calendar = {
      terms: Object.values(term).filter(({ removed }) => !removed),
      daysOff: Object.values(dayOff).filter(({ removed }) => !removed),
      meetings: Object.values(meeting),
      lessons: Object.values(lesson),
    };
    return reading?.schoolDays(calendar, now, sectionId);
  }, [reading, term, dayOff, meeting, lesson, now, sectionId]);
  return useMemo(() => {
    if (failed) return () => unread;
    if (!reading || !days || !isSetUp) return null;
    const { names, topics } = (made ??= indices(reading));
    const records = useRecords.getState().current;
    const context = {
      today: now.date,
      days,
      roster: { index: names(records), inHand },
      topics: topics(records),
    };
    return (text: string) => reading.readNote(text, context);
    // The indices follow the students and the topics.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [reading, failed, isSetUp, days, inHand, now.date, student, topic]);
}
