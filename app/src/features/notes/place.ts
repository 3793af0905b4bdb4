import { usePathname } from 'expo-router';
import { useMemo } from 'react';
import { lessonNow } from '@slate-path/core/calendar/lessonNow';
import type { Lesson } from '@slate-path/core/records/schema';
import { useAllLessons } from '../attendance/lesson/lessons';
import { useNow } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';

/** Where a note is written: what is added to it by itself. */
export interface NotePlace {
  lesson: Lesson | null;
  /** The class whose students are meant first. */
  sectionId: string | null;
  /** The student whose page it is written on. */
  studentId: string | null;
}

/** The lesson, class or student of the page that is open; elsewhere what is on now. */
export function useNotePlace(): NotePlace {
  const path = usePathname();
  const lessons = useAllLessons();
  const now = useNow();
  return useMemo(() => {
    const [place, id] = path.split('/').slice(1).map(decodeURIComponent);
    const inHand = lessonNow(lessons, now);
    const on = inHand?.relation === 'now' ? inHand.lesson : null;
    if (place === 'lessons') {
      const lesson = lessons.find((one) => one.id === id) ?? null;
      return { lesson, sectionId: lesson?.sectionId ?? null, studentId: null };
    }
    const sectionId = place === 'classes' && id ? id : ((on ?? inHand?.lesson)?.sectionId ?? null);
    const lesson = on?.sectionId === sectionId ? on : null;
    return { lesson, sectionId, studentId: place === 'students' && id ? id : null };
  }, [path, lessons, now]);
}

/** The room that a note was written in, as the class has it. */
export function useRoom(sectionId: string | null): string {
  return useRecords((state) => (sectionId === null ? '' : (state.current.section[sectionId]?.room ?? '')));
}
