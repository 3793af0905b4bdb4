import Database from 'better-sqlite3';
import { blanked, erasedNames, withoutName, type ErasedNames } from '@slate-path/core/erasure/eraseNames';
import { forget, forgetLine, type Erased } from '@slate-path/core/erasure/forget';
import type { Span } from '@slate-path/core/notes/searchTerms';
import { displayName } from '@slate-path/core/people/names';
import type { Guardian, Student, TableName } from '@slate-path/core/records/schema';
import { references, tableNames } from '@slate-path/core/records/tables';
import { ownColumns } from '../database/columns';
import { rebuildNoteIndex } from '../database/noteIndex';

export interface ErasureRequest {
  file: string;
  teacherId: string;
  studentId: string;
  /** ISO moment. */
  at: string;
  /** Id of the line that the log gets. */
  changeId: string;
  /** Only says what would be erased. */
  preview: boolean;
}

/** What is erased, or would be. */
export interface Erasure {
  name: string;
  /** Records that go, by kind. */
  gone: { table: TableName; count: number }[];
  /** Records of others and of the class in which the name was blanked. */
  cleaned: { table: TableName; count: number }[];
  /** Lines of the log that were cleaned. */
  lines: number;
  /** Words of the name that others have as well: where they stand alone in a text, they stay. */
  shared: string[];
  /** Copies of letters to be deleted. */
  messageIds: string[];
}

type Row = Record<string, unknown> & { id: string };

/**
 * Other people's own records are theirs; and what a school and its classes are called is about nobody: a
 * class "Green group" keeps its name when a student Green is erased.
 */
const untouched: ReadonlySet<TableName> = new Set([
  'student',
  'guardian',
  'school',
  'term',
  'dayOff',
  'section',
  'meeting',
  'standing',
  'lookFor',
  'focus',
  'levelNames',
] as const);

class Eraser {
  private readonly recordIds = new Set<string>();
  private readonly gone: Erasure['gone'] = [];
  private readonly cleaned: Erasure['cleaned'] = [];
  private readonly messageIds: string[] = [];
  private readonly names: ErasedNames;
  private readonly student: Student;

  constructor(
    private readonly db: Database.Database,
    private readonly request: ErasureRequest,
  ) {
    const { teacherId, studentId } = request;
    const people = this.all('student', '"teacherId" = ?', teacherId) as unknown as Student[];
    const guardians = this.all('guardian', '"teacherId" = ?', teacherId) as unknown as Guardian[];
    const student = people.find(({ id }) => id === studentId);
    if (!student) throw new Error('There is no such student.');
    this.student = student;
    const theirs = guardians.filter((guardian) => guardian.studentId === studentId);
    const others = [
      ...people.filter(({ id }) => id !== studentId),
      ...guardians
        .filter((guardian) => guardian.studentId !== studentId)
        .map(({ name }) => ({ givenName: name, familyName: '', called: '' })),
    ];
    // What a brother or sister has as well is theirs, and stays.
    const kept = new Set(
      guardians
        .filter((guardian) => guardian.studentId !== studentId)
        .flatMap(({ name, email, phone }) => [name, email, phone]),
    );
    const exact = [
      student.email,
      student.schoolId,
      ...theirs.flatMap(({ name, email, phone }) => [name, email, phone]),
    ];
    this.names = erasedNames(
      student,
      others,
      exact.filter((text) => !kept.has(text)),
    );
  }

  run(): Erasure {
    this.collect();
    this.deleteRows();
    this.cleanRows();
    const lines = this.cleanLog();
    this.remember();
    return {
      name: displayName(this.student),
      // The student first, then what hung on them.
      gone: this.gone.toReversed(),
      cleaned: this.cleaned,
      lines,
      shared: this.names.shared,
      messageIds: this.messageIds,
    };
  }

  private all(table: string, where: string, ...values: unknown[]): Row[] {
    return this.db.prepare(`SELECT * FROM "${table}" WHERE ${where}`).all(...values) as Row[];
  }

  private get erased(): Erased {
    return {
      studentId: this.request.studentId,
      recordIds: this.recordIds,
      rename: (text) => withoutName(text, this.names),
    };
  }

  /** The student's records, and the notes that speak of nobody else. */
  private collect(): void {
    const { studentId } = this.request;
    for (const table of tableNames) {
      const fields = Object.entries(references[table] ?? {}).filter(([, target]) => target === 'student');
      for (const [field] of fields)
        for (const { id } of this.all(table, `"${field}" = ?`, studentId)) this.recordIds.add(id);
    }
    const alone = this.db
      .prepare(
        `SELECT "noteId" AS id FROM "noteStudent" WHERE "studentId" = ? AND "noteId" NOT IN (SELECT "noteId" FROM "noteStudent" WHERE "studentId" <> ? AND NOT "removed")`,
      )
      .all(studentId, studentId) as Row[];
    for (const { id } of alone) {
      this.recordIds.add(id);
      for (const table of ['noteStudent', 'noteTopic', 'followUp'] as const)
        for (const link of this.all(table, '"noteId" = ?', id)) this.recordIds.add(link.id);
    }
    this.recordIds.add(studentId);
  }

  private deleteRows(): void {
    const { studentId } = this.request;
    // Names of others' notes are blanked at their places before these are forgotten.
    for (const { noteId, spans } of this.all('noteStudent', '"studentId" = ?', studentId)) {
      const note = this.all('note', '"id" = ?', noteId)[0];
      if (!note || this.recordIds.has(note.id)) continue;
      const text = blanked(String(note['text']), JSON.parse(String(spans)) as Span[]);
      this.db.prepare('UPDATE "note" SET "text" = ? WHERE "id" = ?').run(text, note.id);
    }
    const deliveries = this.db.prepare('DELETE FROM "delivery" WHERE "messageId" = ?');
    for (const table of [...tableNames].reverse()) {
      const remove = this.db.prepare(`DELETE FROM "${table}" WHERE "id" = ? AND "teacherId" = ?`);
      let count = 0;
      for (const id of this.recordIds) {
        if (table === 'message') deliveries.run(id);
        const { changes } = remove.run(id, this.request.teacherId);
        if (table === 'message' && changes > 0) this.messageIds.push(id);
        count += changes;
      }
      if (count > 0) this.gone.push({ table, count });
    }
  }

  /** Texts and lists of all that stays: letters to others, comments, groups. */
  private cleanRows(): void {
    for (const table of tableNames) {
      if (untouched.has(table)) continue;
      const columns = Object.entries(ownColumns[table]);
      const texts = columns
        .filter(([name, { type }]) => type === 'text' && !references[table]?.[name])
        .map(([name]) => name);
      const lists = columns.filter(([, { type }]) => type === 'simple-json').map(([name]) => name);
      if (texts.length + lists.length === 0) continue;
      let count = 0;
      for (const row of this.all(table, '"teacherId" = ?', this.request.teacherId)) {
        const news = [
          ...texts.map((name) => [name, this.cleanText(row[name])] as const),
          ...lists.map((name) => [name, this.cleanList(row[name])] as const),
        ];
        const changed = news.filter(([name, value]) => value !== row[name]);
        if (changed.length === 0) continue;
        count += 1;
        const sets = changed.map(([name]) => `"${name}" = ?`).join(', ');
        this.db
          .prepare(`UPDATE "${table}" SET ${sets} WHERE "id" = ?`)
          .run(...changed.map(([, value]) => value), row.id);
        if (table === 'message') this.messageIds.push(row.id);
      }
      if (count > 0) this.cleaned.push({ table, count });
    }
  }

  private cleanText(value: unknown): unknown {
    return typeof value === 'string' ? withoutName(value, this.names) : value;
  }

  private cleanList(value: unknown): unknown {
    return JSON.stringify(forget(JSON.parse(String(value)), this.erased));
  }

  private cleanLog(): number {
    const lines = this.db
      .prepare('SELECT "seq", "payload", "edits" FROM "change" WHERE "teacherId" = ?')
      .all(this.request.teacherId) as { seq: number; payload: string; edits: string }[];
    const write = this.db.prepare('UPDATE "change" SET "payload" = ?, "edits" = ? WHERE "seq" = ?');
    let count = 0;
    for (const { seq, payload, edits } of lines) {
      const cleaned = forgetLine(
        { payload: JSON.parse(payload), edits: JSON.parse(edits) as unknown[] },
        this.erased,
      );
      const [newPayload, newEdits] = [JSON.stringify(cleaned.payload), JSON.stringify(cleaned.edits)];
      if (newPayload === payload && newEdits === edits) continue;
      write.run(newPayload, newEdits, seq);
      count += 1;
    }
    return count;
  }

  /** That somebody was erased, without who: other devices forget too, and what still arrives is cleaned. */
  private remember(): void {
    const { teacherId, studentId, at, changeId } = this.request;
    this.db
      .prepare('INSERT INTO "erasure" ("studentId", "teacherId", "erasedAt") VALUES (?, ?, ?)')
      .run(studentId, teacherId, at);
    this.db
      .prepare(
        'INSERT INTO "change" ("id", "teacherId", "kind", "about", "device", "madeAt", "receivedAt", "payload", "edits") VALUES (?, ?, ?, NULL, ?, ?, ?, ?, ?)',
      )
      .run(changeId, teacherId, 'erasure', 'server', at, at, '{}', '[]');
  }
}

class Undone extends Error {}

/**
 * Erases a student from the records, the log and the index, and packs the file, so that no byte of the
 * name is left in it or in its journal. The server's own writing waits meanwhile.
 */
export function erase(request: ErasureRequest): Erasure {
  const db = new Database(request.file, { fileMustExist: true });
  try {
    db.pragma('busy_timeout = 10000');
    db.pragma('foreign_keys = ON');
    let result: Erasure | undefined;
    const work = db.transaction(() => {
      // A note goes after what points at it in the same step; all is checked at the end.
      db.pragma('defer_foreign_keys = ON');
      result = new Eraser(db, request).run();
      if (request.preview) throw new Undone();
    });
    try {
      work.immediate();
    } catch (error) {
      if (!(error instanceof Undone)) throw error;
    }
    if (!result) throw new Error('Nothing was erased.');
    if (!request.preview) {
      db.exec('VACUUM');
      // Rows have other numbers now, and the index had the old words in pages of its own.
      db.exec(rebuildNoteIndex);
      db.exec('VACUUM');
      db.pragma('wal_checkpoint(TRUNCATE)');
    }
    return result;
  } finally {
    db.close();
  }
}
