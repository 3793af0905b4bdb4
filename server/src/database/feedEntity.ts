import { EntitySchema } from 'typeorm';
import type { StatementPart } from '@slate-path/core/work/bring/statementParts';
import { json, text } from './columns';

/** Somebody in a store’s statements who is not known in the class. */
export interface Stranger {
  written: string;
  name: string;
  email: string;
  schoolId: string;
  actions: number;
  candidates: string[];
  /** When their first action was stored, in milliseconds: from there on the store is asked again when they become known. */
  firstStored: number;
}

/** What a statement said of a piece of work that the class has not, and by which change its action came. */
export interface WaitingPart extends Omit<StatementPart, 'person'> {
  studentId: string;
  changeId: string;
}

/** One time that something came. */
export interface FeedRound {
  changeId: string;
  at: string;
  actions: number;
  handIns: number;
  /** Changes that are taken back with it. */
  also: string[];
}

/** How the asking stands. */
export interface FeedState {
  /** The store was asked up to here, in milliseconds of its own clock; null before the first time. */
  through: number | null;
  /** Strangers' actions are counted up to here, in milliseconds; null before the first time. */
  counted: number | null;
  /** Where a look that was too long for one time goes on, and from which moment it began. */
  next: { address: string; since: number | null } | null;
  /** Of the Experience API, as the store wants it. */
  version: string;
  brought: number;
  /** The last times that something came, the latest first. */
  rounds: FeedRound[];
  lastWorkedAt: string | null;
  failure: string | null;
  failingSince: string | null;
  /** One after the other. */
  failures: number;
  strangers: Stranger[];
  ofNobody: number;
  notRead: number;
  /** Of pieces that the class has not, the last of them: once it has one of that title, they are its. */
  waiting: WaitingPart[];
  /** Hashes of how students who were erased are written: they are not told of again. */
  forgotten: string[];
}

/** A record store from which a class’s activity is fetched. No record: it goes to no device, archive or log. */
export interface FeedRow {
  id: string;
  sectionId: string;
  /** Who set it. */
  teacherId: string;
  name: string;
  address: string;
  userName: string;
  /** The password, encrypted (`work/feed/secret.ts`). */
  secret: string;
  course: string;
  state: FeedState;
}

export const FeedEntity = new EntitySchema<FeedRow>({
  name: 'feed',
  tableName: 'feed',
  columns: {
    id: { type: 'text', primary: true },
    sectionId: text,
    teacherId: text,
    name: text,
    address: text,
    userName: text,
    secret: text,
    course: text,
    state: json,
  },
  indices: [{ name: 'feed_by_sectionId', columns: ['sectionId'] }],
});
