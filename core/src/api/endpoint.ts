import { z } from 'zod';
import { paperSizes } from '../sharing/papers/sizes';
import { LocalDate, recordSchema, type RecordOf, type TableName } from '../records/schema';

/** What an operation takes and answers. The server, the app's client and the OpenAPI document are typed or made from it. */
export interface Endpoint {
  summary: string;
  params?: z.ZodObject;
  query?: z.ZodObject;
  body?: z.ZodType;
  /** The body is a form of a page without scripts. */
  form?: true;
  /** The body is a file, taken as bytes up to this size. */
  fileUpTo?: number;
  answer: z.ZodType;
  /** Media types of an answer that is not JSON; the first one unless the handler says another. */
  answersWith?: readonly string[];
}

/** Done, and nothing to tell. */
export const Done = z.object({ done: z.literal(true) });

/** A day that is asked about: near enough that the days around it can be reckoned with. */
export const Day = LocalDate.refine((date) => !/^\d{4}-/.test(date) || /^(?:19|20|21)/.test(date), {
  message: 'A day from 1900 to 2199',
});

/** From and to, both days included. */
export const Range = z.object({ from: Day, to: Day });

/** Records of a table, removed ones too. */
export function rows<T extends TableName>(table: T): z.ZodType<RecordOf<T>[], RecordOf<T>[]> {
  return z.array(recordSchema(table)) as unknown as z.ZodType<RecordOf<T>[], RecordOf<T>[]>;
}

export const Bytes = z.custom<Uint8Array>((bytes) => bytes instanceof Uint8Array);

/** What the files that are given out say they are. */
export const fileTypes = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  html: 'text/html; charset=utf-8',
  pdf: 'application/pdf',
} as const;
export const fileFormats = ['csv', 'xlsx', 'html', 'pdf'] as const;
export type FileFormat = (typeof fileFormats)[number];

/** The sheet that a PDF is made for; other formats have none. */
export const Paper = { paper: z.enum(paperSizes).default('A4') };

/** The answer of an operation that gives out a file in one of some formats. */
export function fileAnswer(formats: readonly FileFormat[]) {
  return { answer: Bytes, answersWith: formats.map((format) => fileTypes[format]) };
}
