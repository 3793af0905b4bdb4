import { EntitySchema } from 'typeorm';
import { nullableText, text } from './columns';

/** A page that a teacher made for one reader: the link holds a token, the database only its hash. */
export interface ReaderPageRow {
  id: string;
  tokenHash: string;
  /** Of the code that is told by another way; null where none is asked for. */
  codeHash: string | null;
  madeBy: string;
  /** What is on it, as JSON. */
  settings: string;
  /** Where the link is sent; null where it is handed on otherwise. */
  email: string | null;
  madeAt: string;
  /** The last day on which it opens. */
  until: string;
  endedAt: string | null;
  openings: number;
  openedAt: string | null;
  /** Wrong codes since the last right one, and until when no other is taken. */
  wrongCodes: number;
  waitUntil: string | null;
  /** How often its reader wrote back on the last day on which they did, and what came last, hashed. */
  repliedOn: string | null;
  replies: number;
  lastReply: string | null;
}

const number = { type: 'integer', default: 0 } as const;

export const ReaderPageEntity = new EntitySchema<ReaderPageRow>({
  name: 'readerPage',
  tableName: 'readerPage',
  columns: {
    id: { type: 'text', primary: true },
    tokenHash: { type: 'text', unique: true },
    codeHash: nullableText,
    madeBy: text,
    settings: text,
    email: nullableText,
    madeAt: text,
    until: text,
    endedAt: nullableText,
    openings: number,
    openedAt: nullableText,
    wrongCodes: number,
    waitUntil: nullableText,
    repliedOn: nullableText,
    replies: number,
    lastReply: nullableText,
  },
  foreignKeys: [{ target: 'teacher', columnNames: ['madeBy'], referencedColumnNames: ['id'] }],
  indices: [{ name: 'readerPage_by_madeBy', columns: ['madeBy'] }],
});

/** When a page was opened, to the minute. */
export interface PageOpening {
  pageId: string;
  minute: string;
  times: number;
}

export const PageOpeningEntity = new EntitySchema<PageOpening>({
  name: 'pageOpening',
  tableName: 'pageOpening',
  withoutRowid: true,
  columns: {
    pageId: { type: 'text', primary: true },
    minute: { type: 'text', primary: true },
    times: { type: 'integer', default: 1 },
  },
});
