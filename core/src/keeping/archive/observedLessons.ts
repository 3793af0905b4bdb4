import { z } from 'zod';
import type { Archive } from './tables';

const Tallying = z.object({ lessonId: z.string() });

/** Lessons in which somebody was counting though nothing was seen: the format itself has no place for them. */
export function observedLessons({ more }: Archive): Set<string> {
  return new Set(
    more.flatMap(({ table, fields }) => {
      if (table !== 'tallying') return [];
      const read = Tallying.safeParse(JSON.parse(fields));
      return read.success ? [read.data.lessonId] : [];
    }),
  );
}
