import { EntitySchema } from 'typeorm';
import type { TableName } from '@slate-path/core/records/schema';
import { references, tableNames } from '@slate-path/core/records/tables';
import {
  AccessEntity,
  InvitationEntity,
  MemberEntity,
  NewsEntity,
  ScopeEntity,
  PathGrantEntity,
  TeachingEntity,
  TouchEntity,
} from './scopeEntities';
import { LetterEntity, MailSettingsEntity } from './letterEntities';
import { activityEntities } from './activity/entities';
import { FeedEntity } from './feedEntity';
import { OwnViewEntity, StudentCardEntity } from './ownViewEntities';
import { PageOpeningEntity, ReaderPageEntity } from './readerPageEntities';
import { flag, json, nullableText, ownColumns, text } from './columns';
import { indices } from './indices';

/** A record's row: its own fields, whose it is, and who decided each field last. */
export interface Row {
  id: string;
  /** Who made it. */
  teacherId: string;
  /** Where it belongs: whoever is something there reads or writes it (`core/src/scopes`). */
  scopeId: string;
  removed: boolean;
  /** By field: when it was last decided, and by which change. */
  stamps: Stamps;
  [field: string]: unknown;
}
export type Stamps = Record<string, { at: string; by: string }>;

export interface Teacher {
  id: string;
  name: string;
  passphraseHash: string;
  /** Of the code that sets a new passphrase; null where none was made. */
  recoveryHash: string | null;
  createdAt: string;
}

export interface Session {
  tokenHash: string;
  teacherId: string;
  expiresAt: string;
  /** By which it is listed and ended. */
  id: string;
  /** What kind of browser signed in, in words. */
  device: string;
  createdAt: string;
  /** To the hour. */
  usedAt: string;
}

/** What a change did to one record, so that it can be taken back and told. */
export interface LoggedEdit {
  op: 'make' | 'set';
  table: TableName;
  id: string;
  /** Null where the record was made. */
  before: Record<string, unknown> | null;
  beforeBy: Record<string, string | null>;
  after: Record<string, unknown>;
  overruled: string[];
}

/** A line of the append-only log. */
export interface ChangeLine {
  seq: number;
  id: string;
  teacherId: string;
  kind: string;
  about: string | null;
  device: string;
  madeAt: string;
  receivedAt: string;
  payload: unknown;
  edits: LoggedEdit[];
}

/** A column that came later: SQLite wants a value for the rows that were there. */
const added = { ...text, default: '' };

/** Columns that came later and point at another table. */
const pointersAdded = new Set(['work.studentId', 'nod.sectionId']);

function recordEntity(table: TableName): EntitySchema<Row> {
  const pointers = references[table] ?? {};
  return new EntitySchema<Row>({
    name: table,
    tableName: table,
    // A view of what is kept in fewer bytes.
    synchronize: table !== 'activity',
    columns: {
      id: { type: 'text', primary: true },
      teacherId: text,
      scopeId: added,
      removed: flag,
      stamps: json,
      ...ownColumns[table],
    } as never,
    foreignKeys: [
      { target: 'teacher', columnNames: ['teacherId'], referencedColumnNames: ['id'] },
      // SQLite cannot add a constraint to a table that is there; the one door checks these itself.
      ...Object.entries(pointers)
        .filter(([field, target]) => target !== table && !pointersAdded.has(`${table}.${field}`))
        .map(([field, target]) => ({
          target,
          columnNames: [field],
          referencedColumnNames: ['id'],
        })),
    ],
    indices: [['scopeId'], ...(indices[table] ?? [])].map((columns) => ({
      name: `${table}_by_${columns.join('_')}`,
      columns,
    })),
  });
}

export const recordEntities = Object.fromEntries(
  tableNames.map((table) => [table, recordEntity(table)]),
) as Record<TableName, EntitySchema<Row>>;

export const TeacherEntity = new EntitySchema<Teacher>({
  name: 'teacher',
  tableName: 'teacher',
  columns: {
    id: { type: 'text', primary: true },
    name: text,
    passphraseHash: text,
    recoveryHash: nullableText,
    createdAt: text,
  },
  indices: [{ name: 'teacher_by_name', columns: ['name'], unique: true }],
});

export const SessionEntity = new EntitySchema<Session>({
  name: 'session',
  tableName: 'session',
  columns: {
    tokenHash: { type: 'text', primary: true },
    teacherId: text,
    expiresAt: text,
    id: added,
    device: added,
    createdAt: added,
    usedAt: added,
  },
  foreignKeys: [{ target: 'teacher', columnNames: ['teacherId'], referencedColumnNames: ['id'] }],
});

/** A way for a class's students to check in: the link holds a token, the database only its hash. */
export interface CheckInLink {
  tokenHash: string;
  teacherId: string;
  sectionId: string;
  createdAt: string;
  expiresAt: string;
}

export const CheckInLinkEntity = new EntitySchema<CheckInLink>({
  name: 'checkInLink',
  tableName: 'checkInLink',
  columns: {
    tokenHash: { type: 'text', primary: true },
    teacherId: text,
    sectionId: text,
    createdAt: text,
    expiresAt: text,
  },
  foreignKeys: [
    { target: 'teacher', columnNames: ['teacherId'], referencedColumnNames: ['id'] },
    { target: 'section', columnNames: ['sectionId'], referencedColumnNames: ['id'] },
  ],
});

/** That a student was erased: devices forget too, and what still arrives about them is cleaned. */
export interface ErasureLine {
  studentId: string;
  teacherId: string;
  erasedAt: string;
}

export const ErasureEntity = new EntitySchema<ErasureLine>({
  name: 'erasure',
  tableName: 'erasure',
  columns: { studentId: { type: 'text', primary: true }, teacherId: text, erasedAt: text },
  foreignKeys: [{ target: 'teacher', columnNames: ['teacherId'], referencedColumnNames: ['id'] }],
});

/** What is left to do of an erasure that was begun (`server/src/keeping/erasure/state.ts`). */
export interface ErasingLine {
  studentId: string;
  teacherId: string;
  state: string;
}

export const ErasingEntity = new EntitySchema<ErasingLine>({
  name: 'erasing',
  tableName: 'erasing',
  columns: { studentId: { type: 'text', primary: true }, teacherId: text, state: text },
  foreignKeys: [{ target: 'teacher', columnNames: ['teacherId'], referencedColumnNames: ['id'] }],
});

export const ChangeEntity = new EntitySchema<ChangeLine>({
  name: 'change',
  tableName: 'change',
  columns: {
    seq: { type: 'integer', primary: true, generated: 'increment' },
    id: { type: 'text', unique: true },
    teacherId: text,
    kind: text,
    about: nullableText,
    device: text,
    madeAt: text,
    receivedAt: text,
    payload: json,
    edits: json,
  },
  foreignKeys: [{ target: 'teacher', columnNames: ['teacherId'], referencedColumnNames: ['id'] }],
  indices: [
    { name: 'change_by_teacherId', columns: ['teacherId', 'seq'] },
    { name: 'change_by_about', columns: ['about'] },
  ],
});

export const entities = [
  FeedEntity,
  MemberEntity,
  ScopeEntity,
  PathGrantEntity,
  TeachingEntity,
  AccessEntity,
  NewsEntity,
  InvitationEntity,
  PageOpeningEntity,
  ReaderPageEntity,
  OwnViewEntity,
  StudentCardEntity,
  TouchEntity,
  TeacherEntity,
  SessionEntity,
  ChangeEntity,
  LetterEntity,
  MailSettingsEntity,
  CheckInLinkEntity,
  ErasureEntity,
  ErasingEntity,
  ...activityEntities,
  ...Object.values(recordEntities),
];
