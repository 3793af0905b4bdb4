import { z } from 'zod';
import { changeKind } from '../changes/kind';
import { Id, recordFields } from '../records/schema';

const PieceFields = recordFields.work.extend({
  id: Id,
  title: z.string().trim().min(1, 'What is the work called?').max(200),
});

const isOrdered = ({ assignedAt, dueAt }: { assignedAt: string | null; dueAt: string | null }) =>
  assignedAt === null || dueAt === null || assignedAt <= dueAt;
const outOfOrder = { message: 'It is due before it was set', path: ['dueAt'] };

/** A piece of work that is set or changed; due after it was set. */
export const PieceToSet = PieceFields.refine(isOrdered, outOfOrder);
/** The same, of one student. */
export const OwnPieceToSet = PieceFields.extend({ studentId: Id }).refine(isOrdered, outOfOrder);

/** One student's part of a piece; without a status nothing is known of it. */
export const HandInToSet = z.strictObject({
  studentId: Id,
  status: recordFields.handIn.shape.status.nullable(),
  handedInAt: recordFields.handIn.shape.handedInAt,
  handedBackAt: recordFields.handIn.shape.handedBackAt,
  score: recordFields.handIn.shape.score,
  // What is not said stays as it is.
  written: recordFields.handIn.shape.written.unwrap().optional(),
  minutes: recordFields.handIn.shape.minutes.unwrap().optional(),
});
export type HandInToSet = z.output<typeof HandInToSet>;

export const pieceChanges = {
  'piece.set': changeKind(PieceToSet, ({ sectionId }) => sectionId),
  'piece.remove': changeKind(z.strictObject({ id: Id, sectionId: Id }), ({ sectionId }) => sectionId),
  'handIn.set': changeKind(
    z.strictObject({ sectionId: Id, workId: Id, handIns: z.array(HandInToSet).min(1).max(400) }),
    ({ sectionId }) => sectionId,
  ),
  // What a file says of pieces of work and of how they came, as one.
  'work.bring': changeKind(
    z.strictObject({
      sectionId: Id,
      /** The file: what it is called, and a digest of what stands in it. */
      source: z.strictObject({ name: z.string().max(200), digest: z.string().max(64) }),
      pieces: z.array(PieceToSet).max(400),
      handIns: z.array(HandInToSet.extend({ workId: Id })).max(5000),
    }),
    ({ sectionId }) => sectionId,
  ),
};
