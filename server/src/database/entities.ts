import { EntitySchema } from 'typeorm';
import type { TableName } from '@slate-path/core/records/schema';
import { references, tableNames } from '@slate-path/core/records/tables';
import { flag, indices, json, nullableText, ownColumns, text } from './columns';

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

function recordEntity(table: TableName): EntitySchema<Row> {
  const pointers = references[table] ?? {};
  return new EntitySchema<Row>({
    name: table,
    tableName: table,
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
        .filter(([, target]) => target !== table)
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

/** A message that the mail server has taken. */
export interface Delivery {
  messageId: string;
  teacherId: string;
  deliveredAt: string;
  /** The name of the `.eml` file. */
  file: string;
}

export const DeliveryEntity = new EntitySchema<Delivery>({
  name: 'delivery',
  tableName: 'delivery',
  columns: {
    messageId: { type: 'text', primary: true },
    teacherId: text,
    deliveredAt: text,
    file: text,
  },
  foreignKeys: [
    { target: 'message', columnNames: ['messageId'], referencedColumnNames: ['id'] },
    { target: 'teacher', columnNames: ['teacherId'], referencedColumnNames: ['id'] },
  ],
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

/** What is left to do of an erasure that was begun (`server/src/erasure/state.ts`). */
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

const ofPerson = { target: 'teacher', columnNames: ['personId'], referencedColumnNames: ['id'] };

/** Somebody who belongs to a school. */
export interface Member {
  personId: string;
  schoolId: string;
  role: 'teacher' | 'assistant';
  isKeeper: boolean;
  since: string;
  /** When they left; null while they belong to it. */
  until: string | null;
  /** The day of which their access was last worked out: a cover's days begin and end by themselves. */
  accessOn: string;
}

export const MemberEntity = new EntitySchema<Member>({
  name: 'member',
  tableName: 'member',
  columns: {
    personId: { type: 'text', primary: true },
    schoolId: text,
    role: text,
    isKeeper: flag,
    since: text,
    until: nullableText,
    accessOn: text,
  },
  foreignKeys: [ofPerson],
  indices: [{ name: 'member_by_schoolId', columns: ['schoolId'] }],
});

/** What records belong to, besides a person: a school, a class, a student; and to which school each belongs. */
export interface Scope {
  id: string;
  kind: 'school' | 'section' | 'student';
  schoolId: string;
}

export const ScopeEntity = new EntitySchema<Scope>({
  name: 'scope',
  tableName: 'scope',
  columns: { id: { type: 'text', primary: true }, kind: text, schoolId: text },
  indices: [{ name: 'scope_by_schoolId', columns: ['schoolId', 'kind'] }],
});

/** That somebody teaches, assists in or covers a class. */
export interface Teaching {
  id: string;
  sectionId: string;
  personId: string;
  role: 'teacher' | 'assistant' | 'cover';
  /** The first and last day of a cover; null without bounds. */
  startsOn: string | null;
  endsOn: string | null;
  madeAt: string;
  endedAt: string | null;
}

export const TeachingEntity = new EntitySchema<Teaching>({
  name: 'teaching',
  tableName: 'teaching',
  columns: {
    id: { type: 'text', primary: true },
    sectionId: text,
    personId: text,
    role: text,
    startsOn: nullableText,
    endsOn: nullableText,
    madeAt: text,
    endedAt: nullableText,
  },
  foreignKeys: [ofPerson, { target: 'section', columnNames: ['sectionId'], referencedColumnNames: ['id'] }],
  indices: [
    { name: 'teaching_by_personId', columns: ['personId'] },
    { name: 'teaching_by_sectionId', columns: ['sectionId'] },
  ],
});

/** Worked out from members, teachings and enrolments (`server/src/scopes/access.ts`): what somebody is in a scope today. */
export interface Access {
  personId: string;
  scopeId: string;
  role: string;
}

export const AccessEntity = new EntitySchema<Access>({
  name: 'access',
  tableName: 'access',
  columns: {
    personId: { type: 'text', primary: true },
    scopeId: { type: 'text', primary: true },
    role: text,
  },
  indices: [{ name: 'access_by_scopeId', columns: ['scopeId'] }],
});

/** By kind of change, the last one of a colleague that somebody may see: their views are as new as that. */
export interface News {
  personId: string;
  kind: string;
  changeId: string;
}

export const NewsEntity = new EntitySchema<News>({
  name: 'news',
  tableName: 'news',
  columns: {
    personId: { type: 'text', primary: true },
    kind: { type: 'text', primary: true },
    changeId: text,
  },
});

/** A way into a school, and to a class: the link holds a token, the database only its hash. */
export interface Invitation {
  id: string;
  tokenHash: string;
  schoolId: string;
  role: 'teacher' | 'assistant';
  /** For whom, as the one who invites calls them. */
  name: string;
  /** The class that they are to teach or assist in; null for none. */
  sectionId: string | null;
  invitedBy: string;
  madeAt: string;
  expiresAt: string;
  endedAt: string | null;
  /** Who came in by it; null while nobody did. */
  usedBy: string | null;
}

export const InvitationEntity = new EntitySchema<Invitation>({
  name: 'invitation',
  tableName: 'invitation',
  columns: {
    id: { type: 'text', primary: true },
    tokenHash: { type: 'text', unique: true },
    schoolId: text,
    role: text,
    name: text,
    sectionId: nullableText,
    invitedBy: text,
    madeAt: text,
    expiresAt: text,
    endedAt: nullableText,
    usedBy: nullableText,
  },
  indices: [{ name: 'invitation_by_schoolId', columns: ['schoolId'] }],
});

export const entities = [
  MemberEntity,
  ScopeEntity,
  TeachingEntity,
  AccessEntity,
  NewsEntity,
  InvitationEntity,
  TeacherEntity,
  SessionEntity,
  ChangeEntity,
  DeliveryEntity,
  CheckInLinkEntity,
  ErasureEntity,
  ErasingEntity,
  ...Object.values(recordEntities),
];
