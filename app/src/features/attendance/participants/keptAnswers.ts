import { listOf, type Records } from '@slate-path/core/records/records';

/** What was answered about the entries of a class's lists, by entry: a student's id, or null for nobody. */
export type Answers = ReadonlyMap<string, string | null>;

/** The answers that are kept for a class. */
export function keptAnswers(records: Records, sectionId: string): Map<string, string | null> {
  const kept = listOf(records, 'participantAnswer').filter((answer) => answer.sectionId === sectionId);
  return new Map(kept.map(({ entry, studentId }) => [entry, studentId]));
}
