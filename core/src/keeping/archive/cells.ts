import { z } from 'zod';
import { localMomentShape } from '../../records/values';

/** `YYYY-MM-DDTHH:MM:SS` in the package's time zone; seconds may be left out. */
export const LocalDateTime = z
  .string()
  .regex(localMomentShape, 'is no local time like 2026-11-23T10:40:00')
  .refine((value) => z.iso.date().safeParse(value.slice(0, 10)).success, 'is no day of the calendar')
  .meta({ type: 'datetime', format: '%Y-%m-%dT%H:%M:%S' });
export const Day = z.iso.date('is no date like 2026-11-23').meta({ type: 'date' });
export const Flag = z
  .enum(['true', 'false'], 'is neither true nor false')
  .transform((value) => value === 'true')
  .meta({ type: 'boolean' });
export const ArchiveId = z
  .string()
  .min(1, 'is empty')
  .max(64, 'is longer than 64 characters')
  .regex(/^\P{Cc}+$/u, 'has control characters');
/** Some records are named by two or three others. */
export const JoinedId = z
  .string()
  .min(1, 'is empty')
  .max(200, 'is longer than 200 characters')
  .regex(/^\P{Cc}+$/u, 'has control characters');
export const Text = z.string();
export const emptyIsNull = <S extends z.ZodType>(schema: S) =>
  z.preprocess((value) => (value === '' ? null : value), schema.nullable()).meta(schema.meta() ?? {});
export const oneOf = <const V extends readonly string[]>(values: V) =>
  z.enum(values, `is not one of ${values.join(', ')}`);
export const numeric = (type: 'number' | 'integer', pattern: RegExp, message: string) =>
  z.string().regex(pattern, message).transform(Number).meta({ type });
export const Credit = numeric('number', /^(0(\.\d+)?|1(\.0+)?|\.\d+)$/, 'is no number from 0 to 1');
export const Decimal = numeric('number', /^-?(\d+(\.\d+)?|\.\d+)$/, 'is no number');
export const Whole = numeric('integer', /^-?\d{1,9}$/, 'is no whole number');
export const Level = numeric('integer', /^[0-3]$/, 'is no level from 0 to 3');
export const Weather = numeric('integer', /^[1-5]$/, 'is no weather from 1 to 5');
