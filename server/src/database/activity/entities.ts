import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';

const text = { type: 'text' } as const;
const number = { type: 'integer' } as const;
const primary = { ...number, primary: true } as const;
const counted = {
  count: number,
  seconds: { type: 'real' },
  first: number,
  last: number,
  hours: number,
} as const;
const dayKey = { scope: primary, student: primary, day: primary };

type Columns = Record<string, EntitySchemaColumnOptions>;
const table = (name: string, columns: Columns, more: Partial<EntitySchema['options']> = {}) =>
  new EntitySchema({ name, tableName: name, columns, ...more });

/** The tables under the view `activity` (`tables.ts`), which TypeORM compares with the migrations and nothing else. */
export const activityEntities = [
  table('activityHold', { n: primary }),
  table(
    'activityWord',
    { n: primary, text },
    { indices: [{ name: 'activityWord_by_text', columns: ['text'], unique: true }] },
  ),
  table(
    'activityBatch',
    {
      ...{ n: primary, teacherId: text, scopeId: text, stamps: text },
      sectionId: { ...text, nullable: true },
    },
    { indices: [{ name: 'activityBatch_by_stamps', columns: ['stamps'] }] },
  ),
  table(
    'action',
    {
      ...{ n: primary, id: text, batch: number, removed: { type: 'boolean', default: false } },
      ...{ scope: number, student: number, at: number, kind: number, place: number, object: text },
      seconds: { type: 'real', nullable: true },
    },
    {
      indices: [
        { name: 'action_by_id', columns: ['id'], unique: true },
        { name: 'action_by_student_at', columns: ['student', 'at'] },
        { name: 'action_by_batch', columns: ['batch'] },
      ],
    },
  ),
  table('actionDay', { ...dayKey, kind: primary, place: primary, ...counted }, { withoutRowid: true }),
  table('actionTotal', { ...dayKey, ...counted }, { withoutRowid: true }),
];
