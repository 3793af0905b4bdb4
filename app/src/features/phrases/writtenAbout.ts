import type { Lesson } from '@slate-path/core/records/schema';

/** What a text in which a phrase is put is about. */
export interface WrittenAbout {
  /** Whom the text is about; null where nobody in particular is. */
  studentId: string | null;
  sectionId: string | null;
  lesson: Lesson | null;
}
