import { useEffect } from 'react';
import type { Lesson, Student } from '@slate-path/core/records/schema';

const steps: Record<string, [lessons: number, students: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Arrows move from mark to mark, over those where a student was not in the class. */
export function useGridKeys(lessons: readonly Lesson[], students: readonly Student[]): void {
  useEffect(() => {
    const idOf = (lesson: Lesson, student: Student) => `day-${lesson.id}-${student.id}`;
    const onKey = (event: KeyboardEvent) => {
      const step = steps[event.key];
      if (!step || document.activeElement?.tagName === 'INPUT') return;
      const places = lessons.flatMap((lesson, x) =>
        students.map((student, y) => ({ x, y, id: idOf(lesson, student) })),
      );
      const at = places.find(({ id }) => id === document.activeElement?.id);
      if (!at) return;
      event.preventDefault();
      for (let by = 1; ; by += 1) {
        const lesson = lessons[at.x + by * step[0]];
        const student = students[at.y + by * step[1]];
        if (!lesson || !student) return;
        const next = document.getElementById(idOf(lesson, student));
        if (!next) continue;
        next.focus();
        return;
      }
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  }, [lessons, students]);
}
