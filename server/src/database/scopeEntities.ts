import { EntitySchema } from 'typeorm';
import { flag, nullableText, text } from './columns';

const ofPerson = { target: 'teacher', columnNames: ['personId'], referencedColumnNames: ['id'] };

/** A reader is a head, an advisor, a counsellor: they see what is given to them. */
export type MemberRole = 'teacher' | 'assistant' | 'reader';

/** Somebody who belongs to a school. */
export interface Member {
  personId: string;
  schoolId: string;
  role: MemberRole;
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

/** In which scopes a line of the log wrote: a device asks by it for what changed since. */
export interface Touch {
  scopeId: string;
  seq: number;
}

export const TouchEntity = new EntitySchema<Touch>({
  name: 'touch',
  tableName: 'touch',
  withoutRowid: true,
  columns: { scopeId: { type: 'text', primary: true }, seq: { type: 'integer', primary: true } },
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
  role: MemberRole;
  /** For whom, as the one who invites calls them. */
  name: string;
  /** The class that they are to teach or assist in; null for none. */
  sectionId: string | null;
  /** Where the link is sent; null where it is handed on otherwise. */
  email: string | null;
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
    email: nullableText,
    invitedBy: text,
    madeAt: text,
    expiresAt: text,
    endedAt: nullableText,
    usedBy: nullableText,
  },
  indices: [{ name: 'invitation_by_schoolId', columns: ['schoolId'] }],
});

/** That somebody may read the whole path of a student, also of classes that are not theirs. */
export interface PathGrant {
  id: string;
  studentId: string;
  personId: string;
  grantedBy: string;
  madeAt: string;
  endedAt: string | null;
}

export const PathGrantEntity = new EntitySchema<PathGrant>({
  name: 'pathGrant',
  tableName: 'pathGrant',
  columns: {
    id: { type: 'text', primary: true },
    studentId: text,
    personId: text,
    grantedBy: text,
    madeAt: text,
    endedAt: nullableText,
  },
  foreignKeys: [ofPerson],
  indices: [
    { name: 'pathGrant_by_personId', columns: ['personId'] },
    { name: 'pathGrant_by_studentId', columns: ['studentId'] },
  ],
});
