import type { SearchTerm } from '@slate-path/core/notes/searchTerms';
import { formsOf } from '@slate-path/core/notes/stems';
import { alsoReadable, readable } from '../scopes/access';
import type { Sql } from './sql';

/**
 * The full-text index over notes, in the words of SQLite's FTS5: word forms by Porter's stemmer, accents
 * folded, and who wrote a note as a word of its own, so that a search reads only what the searcher and their
 * colleagues wrote; which of these notes they may read, the notes themselves say.
 * It holds no text itself: triggers keep it in step with the table.
 */
export const noteIndexStatements = [
  `CREATE VIRTUAL TABLE "noteIndex" USING fts5("text", "teacherId", content='note', tokenize='porter unicode61 remove_diacritics 2', prefix='2 3')`,
  `CREATE TRIGGER "note_indexed" AFTER INSERT ON "note" BEGIN INSERT INTO "noteIndex" (rowid, "text", "teacherId") VALUES (new.rowid, new."text", new."teacherId"); END`,
  `CREATE TRIGGER "note_reindexed" AFTER UPDATE OF "text" ON "note" BEGIN INSERT INTO "noteIndex" ("noteIndex", rowid, "text", "teacherId") VALUES ('delete', old.rowid, old."text", old."teacherId"); INSERT INTO "noteIndex" (rowid, "text", "teacherId") VALUES (new.rowid, new."text", new."teacherId"); END`,
  `CREATE TRIGGER "note_unindexed" AFTER DELETE ON "note" BEGIN INSERT INTO "noteIndex" ("noteIndex", rowid, "text", "teacherId") VALUES ('delete', old.rowid, old."text", old."teacherId"); END`,
];

/** Takes every word out of the index. */
export const clearNoteIndex = `INSERT INTO "noteIndex" ("noteIndex") VALUES ('delete-all')`;

/** Makes the index anew from the notes: rows may have other numbers after the file was packed. */
export const rebuildNoteIndex = `INSERT INTO "noteIndex" ("noteIndex") VALUES ('rebuild')`;

const quoted = (words: string) => `"${words.replace(/"/g, '""')}"`;

function termQuery({ words, prefix }: SearchTerm): string {
  const [only = ''] = words;
  if (prefix) return `${quoted(words.join(' '))}*`;
  if (words.length > 1) return quoted(words.join(' '));
  const forms = formsOf(only);
  return forms.length > 1 ? `(${forms.map(quoted).join(' OR ')})` : quoted(only);
}

/** What FTS5 is asked: all terms, in the notes of some writers. */
function matchQuery(terms: readonly SearchTerm[], writers: readonly string[]): string {
  const wanted = terms.map(termQuery).join(' AND ');
  return `{teacherId} : (${writers.map(quoted).join(' OR ')}) AND {text} : (${wanted})`;
}

/** Whoever wrote notes that somebody may read. */
function writersFor(sql: Sql, teacherId: string): string[] {
  const found = sql.all<{ scopeId: string }>(
    `SELECT "scopeId" FROM "access" WHERE "personId" = ? AND "role" IN ('own', 'colleague')`,
    teacherId,
  );
  return found.map(({ scopeId }) => scopeId);
}

/** What notes are looked for by, besides words. */
export interface NoteFilter {
  /** Who looks. */
  teacherId: string;
  sectionId?: string | undefined;
  lessonId?: string | undefined;
  studentId?: string | undefined;
  /** Each a set of students of whom the note is about one. */
  about?: readonly (readonly string[])[];
  /** The topic, and those merged into it. */
  topicIds?: readonly string[] | undefined;
  /** Moments, `from` included, `until` not. */
  from?: string | undefined;
  until?: string | undefined;
  /** Removed ones too, for those who keep a copy must hear of it. */
  removedToo?: boolean;
}

interface Where {
  sql: string;
  values: unknown[];
}

/** A set of row numbers; `near` where they lie close together, so that the rest need not be gone through. */
interface RowSet extends Where {
  near?: boolean;
}

/**
 * What narrows the rows down by another table or an index is made a set of row numbers first: the index of
 * words is then gone through once, and rows that are not in the set are never read.
 */
function setsOf({ teacherId, lessonId, studentId, about = [], topicIds, from, until }: NoteFilter): RowSet[] {
  const sets: RowSet[] = [];
  if (lessonId !== undefined)
    sets.push({ sql: 'SELECT rowid FROM "note" WHERE "lessonId" = ?', values: [lessonId], near: true });
  if (from !== undefined || until !== undefined)
    sets.push({
      sql: `SELECT rowid FROM "note" WHERE ${readable('note')} AND "at" >= ? AND "at" < ?`,
      values: [teacherId, from ?? '', until ?? '9999'],
      near: true,
    });
  const tied = 'SELECT n.rowid FROM "note" n JOIN';
  for (const ids of studentId === undefined ? about : [[studentId], ...about])
    sets.push({
      sql: `${tied} "noteStudent" s ON s."noteId" = n."id" WHERE s."studentId" IN (SELECT value FROM json_each(?)) AND NOT s."removed"`,
      values: [JSON.stringify(ids)],
    });
  if (topicIds !== undefined)
    sets.push({
      sql: `${tied} "noteTopic" t ON t."noteId" = n."id" WHERE t."topicId" IN (SELECT value FROM json_each(?)) AND NOT t."removed"`,
      values: [JSON.stringify(topicIds)],
    });
  return sets;
}

/** @param rows what the number of a row is called: with a plus before it no index is used for it */
function whereOf(filter: NoteFilter, rows: string): Where {
  const { teacherId, sectionId, removedToo = false } = filter;
  const sets = setsOf(filter);
  const own = sectionId === undefined ? [] : [sectionId];
  return {
    sql: [
      ...sets.map(({ sql }) => `${rows} IN (${sql})`),
      alsoReadable('note'),
      ...(removedToo ? [] : ['NOT "note"."removed"']),
      ...own.map(() => '"note"."sectionId" = ?'),
    ].join(' AND '),
    values: [...sets.flatMap(({ values }) => values), teacherId, ...own],
  };
}

/** The rows of notes that fit, the latest first. */
export function findNoteRows(
  sql: Sql,
  filter: NoteFilter,
  terms: readonly SearchTerm[],
  { limit, skip }: { limit: number; skip: number },
): Record<string, unknown>[] {
  if (terms.length === 0) {
    const where = whereOf(filter, '"note".rowid');
    return sql.all(
      `SELECT "note".* FROM "note" WHERE ${where.sql} ORDER BY "note"."at" DESC LIMIT ? OFFSET ?`,
      ...where.values,
      limit,
      skip,
    );
  }
  const where = whereOf(filter, '+"noteIndex".rowid');
  const near = setsOf(filter).filter((set) => set.near);
  const bounds = near.map(
    (set) =>
      ` AND "noteIndex".rowid BETWEEN (SELECT MIN(rowid) FROM (${set.sql})) AND (SELECT MAX(rowid) FROM (${set.sql}))`,
  );
  // Numbers of rows grow with time: the index gives the latest first without sorting.
  return sql.all(
    `SELECT "note".* FROM "noteIndex" CROSS JOIN "note" ON "note".rowid = "noteIndex".rowid WHERE "noteIndex" MATCH ?${bounds.join('')} AND ${where.sql} ORDER BY "noteIndex".rowid DESC LIMIT ? OFFSET ?`,
    matchQuery(terms, writersFor(sql, filter.teacherId)),
    ...near.flatMap(({ values }) => [...values, ...values]),
    ...where.values,
    limit,
    skip,
  );
}

/** The rows of a table that belong to some notes. */
export function rowsOfNotes(
  sql: Sql,
  table: 'noteStudent' | 'noteTopic' | 'followUp',
  noteIds: readonly string[],
): Record<string, unknown>[] {
  return sql.all(
    `SELECT * FROM "${table}" WHERE "noteId" IN (SELECT value FROM json_each(?))`,
    JSON.stringify(noteIds),
  );
}
