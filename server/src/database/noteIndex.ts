import type { SearchTerm } from '@slate-path/core/notes/searchTerms';
import { formsOf } from '@slate-path/core/notes/stems';
import type { Sql } from './sql';

/**
 * The full-text index over notes, in the words of SQLite's FTS5: word forms by Porter's stemmer, accents
 * folded, and whose a note is as a word of its own, so that one teacher's search does not read another's.
 * It holds no text itself: triggers keep it in step with the table.
 */
export const noteIndexStatements = [
  `CREATE VIRTUAL TABLE "noteIndex" USING fts5("text", "teacherId", content='note', tokenize='porter unicode61 remove_diacritics 2', prefix='2 3')`,
  `CREATE TRIGGER "note_indexed" AFTER INSERT ON "note" BEGIN INSERT INTO "noteIndex" (rowid, "text", "teacherId") VALUES (new.rowid, new."text", new."teacherId"); END`,
  `CREATE TRIGGER "note_reindexed" AFTER UPDATE OF "text" ON "note" BEGIN INSERT INTO "noteIndex" ("noteIndex", rowid, "text", "teacherId") VALUES ('delete', old.rowid, old."text", old."teacherId"); INSERT INTO "noteIndex" (rowid, "text", "teacherId") VALUES (new.rowid, new."text", new."teacherId"); END`,
  `CREATE TRIGGER "note_unindexed" AFTER DELETE ON "note" BEGIN INSERT INTO "noteIndex" ("noteIndex", rowid, "text", "teacherId") VALUES ('delete', old.rowid, old."text", old."teacherId"); END`,
];

/** Makes the index anew from the notes: rows may have other numbers after the file was packed. */
export const rebuildNoteIndex = `INSERT INTO "noteIndex" ("noteIndex") VALUES ('rebuild')`;

/** The index must show through words that were erased: it forgets them at once, not at the next merge. */
export const forgetAtOnce = `INSERT INTO "noteIndex" ("noteIndex", rank) VALUES ('secure-delete', 1)`;

const quoted = (words: string) => `"${words.replace(/"/g, '""')}"`;

function termQuery({ words, prefix }: SearchTerm): string {
  const [only = ''] = words;
  if (prefix) return `${quoted(words.join(' '))}*`;
  if (words.length > 1) return quoted(words.join(' '));
  const forms = formsOf(only);
  return forms.length > 1 ? `(${forms.map(quoted).join(' OR ')})` : quoted(only);
}

/** What FTS5 is asked: all terms, in one teacher's notes. */
export function matchQuery(
  terms: readonly SearchTerm[],
  teacherId: string,
  join: 'AND' | 'OR' = 'AND',
): string {
  const wanted = terms.map(termQuery).join(` ${join} `);
  return `{teacherId} : ${quoted(teacherId)} AND {text} : (${wanted})`;
}

/** What notes are looked for by, besides words. */
export interface NoteFilter {
  teacherId: string;
  sectionId?: string | undefined;
  lessonId?: string | undefined;
  studentId?: string | undefined;
  /** The topic, and those merged into it. */
  topicIds?: readonly string[] | undefined;
  /** Moments, `from` included, `until` not. */
  from?: string | undefined;
  until?: string | undefined;
}

interface Where {
  sql: string;
  values: unknown[];
}

function whereOf({ teacherId, sectionId, lessonId, studentId, topicIds, from, until }: NoteFilter): Where {
  const parts = ['"note"."teacherId" = ?', 'NOT "note"."removed"'];
  const values: unknown[] = [teacherId];
  const add = (sql: string, ...given: unknown[]) => {
    parts.push(sql);
    values.push(...given);
  };
  if (sectionId !== undefined) add('"note"."sectionId" = ?', sectionId);
  if (lessonId !== undefined) add('"note"."lessonId" = ?', lessonId);
  if (from !== undefined) add('"note"."at" >= ?', from);
  if (until !== undefined) add('"note"."at" < ?', until);
  if (studentId !== undefined)
    add(
      '"note"."id" IN (SELECT "noteId" FROM "noteStudent" WHERE "studentId" = ? AND NOT "removed")',
      studentId,
    );
  if (topicIds !== undefined) {
    const places = topicIds.map(() => '?').join(', ');
    add(
      `"note"."id" IN (SELECT "noteId" FROM "noteTopic" WHERE "topicId" IN (${places}) AND NOT "removed")`,
      ...topicIds,
    );
  }
  return { sql: parts.join(' AND '), values };
}

/** The rows of notes that fit, the latest first. */
export function findNoteRows(
  sql: Sql,
  filter: NoteFilter,
  terms: readonly SearchTerm[],
  { limit, skip, join = 'AND' }: { limit: number; skip: number; join?: 'AND' | 'OR' },
): Record<string, unknown>[] {
  const where = whereOf(filter);
  if (terms.length === 0)
    return sql.all(
      `SELECT "note".* FROM "note" WHERE ${where.sql} ORDER BY "note"."at" DESC LIMIT ? OFFSET ?`,
      ...where.values,
      limit,
      skip,
    );
  // Numbers of rows grow with time: the index gives the latest first without sorting.
  return sql.all(
    `SELECT "note".* FROM "noteIndex" JOIN "note" ON "note".rowid = "noteIndex".rowid WHERE "noteIndex" MATCH ? AND ${where.sql} ORDER BY "noteIndex".rowid DESC LIMIT ? OFFSET ?`,
    matchQuery(terms, filter.teacherId, join),
    ...where.values,
    limit,
    skip,
  );
}
