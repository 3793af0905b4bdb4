import type { TableName } from '@slate-path/core/records/schema';
import { belongingOf, decidingFields } from '@slate-path/core/scopes/belonging';
import { reads, writes, type AccessRole } from '@slate-path/core/scopes/rights';
import type { Row } from '../database/entities';
import type { Member } from '../database/scopeEntities';
import type { Sql } from '../database/sql';
import { tellBeside } from './news';
import { beginTeaching, memberOf, openScope, openToClass, roleIn, schoolOf } from './access';

/** Somebody may see a record, but not change it. */
export class NotAllowed extends Error {}

/** What a class's teachers write stays with the writer where they are not one of these. */
const staysWithWriter: ReadonlySet<TableName> = new Set(['note', 'step']);

/** What is shared with the school is still changed by whoever wrote it. */
const staysItsWriters: ReadonlySet<TableName> = new Set(['phrase']);

/** Finds rows by table and id: those of a change first. */
export type FindRow = (table: TableName, id: string) => Pick<Row, 'scopeId'> | undefined;

/** Whoever makes a change, and what they are in the scopes that it touches. */
export class Writer {
  private readonly roles = new Map<string, AccessRole | null>();
  private found: Member | undefined;

  constructor(
    private readonly sql: Sql,
    readonly personId: string,
    private readonly at: string,
  ) {}

  private get member(): Member {
    this.found ??= memberOf(this.sql, this.personId);
    if (!this.found) throw new NotAllowed('This account belongs to no school any more. Nothing was changed.');
    return this.found;
  }

  private roleIn(scopeId: string): AccessRole | null {
    const known = this.roles.get(scopeId);
    if (known !== undefined) return known;
    const role = roleIn(this.sql, this.personId, scopeId);
    this.roles.set(scopeId, role);
    return role;
  }

  mayRead(table: TableName, scopeId: string): boolean {
    return reads(this.roleIn(scopeId), table);
  }

  /**
   * May a record point at another? At what its writer may read; and somebody of the school may come into a class
   * whose teacher does not know them yet.
   */
  mayPoint(from: TableName, to: TableName, scopeId: string): boolean {
    if (this.mayRead(to, scopeId)) return true;
    return from === 'enrolment' && to === 'student' && schoolOf(this.sql, scopeId) === this.member.schoolId;
  }

  /** Where a row belongs by its fields; the row itself still says where it belonged before. */
  private placeOf(table: TableName, row: Row, find: FindRow): string {
    const belonging = belongingOf(table, row);
    if (belonging === 'self') return row.id;
    if (belonging === 'person') return row.teacherId;
    if (belonging === 'school') return this.member.schoolId;
    if (belonging === 'vocabulary') return this.member.isKeeper ? this.member.schoolId : row.teacherId;
    const above = find(belonging.table, belonging.id)?.scopeId ?? '';
    if (staysWithWriter.has(table) && !writes(this.roleIn(above), table)) return row.teacherId;
    return above;
  }

  /**
   * Gives a row that is made or changed its place, and opens the scopes that begin with it.
   * @param before the values it had; null where it is made
   * @throws NotAllowed
   */
  settle(table: TableName, row: Row, before: Row | null, find: FindRow): void {
    if (before) this.demand(table, before.scopeId, row);
    const moves = !before || decidingFields(table).some((field) => before[field] !== row[field]);
    if (!moves) return;
    if (!before && (table === 'section' || table === 'student')) this.open(table, row.id);
    row.scopeId = this.placeOf(table, row, find);
    this.demand(table, row.scopeId, row);
    if (before && before.scopeId !== row.scopeId) {
      if (table === 'note') this.moveLinks(row);
      // Whoever had it before has to forget it.
      tellBeside(this.sql, this.personId, new Set([before.scopeId]), {
        kind: 'withdraw',
        changeId: `${this.at} ${row.id}`,
      });
    }
  }

  /** Whoever brings somebody into a class that they teach may set down what is known of them with the same change. */
  expectEnrolment(studentId: string, sectionId: string): void {
    if (this.roleIn(sectionId) === 'teacher' && this.roleIn(studentId) !== null)
      this.roles.set(studentId, 'teacher');
  }

  /** What follows from a new row, once it is written. */
  begin(table: TableName, row: Row): void {
    if (table === 'section') beginTeaching(this.sql, row.id, this.personId, this.at);
    if (table !== 'enrolment') return;
    openToClass(this.sql, String(row['studentId']), String(row['sectionId']));
    this.roles.delete(String(row['studentId']));
  }

  private open(table: 'section' | 'student', id: string): void {
    if (this.member.role !== 'teacher')
      throw new NotAllowed('Classes and students are made by teachers. Nothing was changed.');
    openScope(this.sql, { id, kind: table }, this.member);
    this.roles.delete(id);
  }

  private demand(table: TableName, scopeId: string, { teacherId }: Row): void {
    if (writes(this.roleIn(scopeId), table)) return;
    const isOwn = staysItsWriters.has(table) && teacherId === this.personId;
    if (isOwn && this.mayRead(table, scopeId)) return;
    throw new NotAllowed(
      this.roleIn(scopeId) === 'member'
        ? 'This is the whole school’s, so only its keeper changes it. Nothing was changed.'
        : 'You may not change this: the class is not shared with you in that way. Nothing was changed.',
    );
  }

  /** What hangs on a note goes where it goes. */
  private moveLinks({ id, scopeId }: Row): void {
    for (const table of ['noteStudent', 'noteTopic', 'followUp'])
      this.sql.run(`UPDATE "${table}" SET "scopeId" = ? WHERE "noteId" = ?`, scopeId, id);
  }
}
