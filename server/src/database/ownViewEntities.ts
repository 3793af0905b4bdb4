import { EntitySchema } from 'typeorm';
import { nullableText, text } from './columns';

/** What the students of a class see of themselves; a class without a row shows nothing. */
export interface OwnViewRow {
  sectionId: string;
  /** As JSON. */
  settings: string;
  /** With whose rights it is read. */
  setBy: string;
  setAt: string;
}

export const OwnViewEntity = new EntitySchema<OwnViewRow>({
  name: 'ownView',
  tableName: 'ownView',
  columns: {
    sectionId: { type: 'text', primary: true },
    settings: text,
    setBy: text,
    setAt: text,
  },
  foreignKeys: [{ target: 'teacher', columnNames: ['setBy'], referencedColumnNames: ['id'] }],
});

/** A student's card: its link holds a token, the database only its hash. */
export interface StudentCardRow {
  id: string;
  studentId: string;
  tokenHash: string;
  madeBy: string;
  madeAt: string;
  endedAt: string | null;
  openings: number;
  openedAt: string | null;
  /** How often words were sent on the last day on which some were, and what came last, hashed. */
  repliedOn: string | null;
  replies: number;
  lastReply: string | null;
}

const number = { type: 'integer', default: 0 } as const;

export const StudentCardEntity = new EntitySchema<StudentCardRow>({
  name: 'studentCard',
  tableName: 'studentCard',
  columns: {
    id: { type: 'text', primary: true },
    studentId: text,
    tokenHash: { type: 'text', unique: true },
    madeBy: text,
    madeAt: text,
    endedAt: nullableText,
    openings: number,
    openedAt: nullableText,
    repliedOn: nullableText,
    replies: number,
    lastReply: nullableText,
  },
  foreignKeys: [{ target: 'teacher', columnNames: ['madeBy'], referencedColumnNames: ['id'] }],
  indices: [{ name: 'studentCard_by_studentId', columns: ['studentId'] }],
});
