import type { z } from 'zod';
import type { Edit, EditsByKind } from '../changes/edit';
import type { HandInToSet, pieceChanges, PieceToSet } from './changes';
import { handInId } from './handInId';

export function setPiece({ id, ...values }: z.output<typeof PieceToSet>): Edit[] {
  return [
    { op: 'make', table: 'work', id, values },
    { op: 'set', table: 'work', id, values },
  ];
}

/** Without a status nothing is known of a student's part: it is taken out. */
export function setHandIn(workId: string, { studentId, status, ...rest }: HandInToSet): Edit[] {
  const id = handInId(workId, studentId);
  const values = status === null ? { removed: true } : { status, ...rest };
  const made = { written: null, minutes: null, workId, studentId, status: status ?? 'missing', ...rest };
  return [
    { op: 'make', table: 'handIn', id, values: made },
    { op: 'set', table: 'handIn', id, values },
  ];
}

export const pieceEdits: EditsByKind<typeof pieceChanges> = {
  'piece.set': setPiece,
  'piece.remove': ({ id }) => [{ op: 'set', table: 'work', id, values: { removed: true } }],
  'handIn.set': ({ workId, handIns }) => handIns.flatMap((one) => setHandIn(workId, one)),
  'work.bring': ({ pieces, handIns }) => [
    ...pieces.flatMap(setPiece),
    ...handIns.flatMap(({ workId, ...one }) => setHandIn(workId, one)),
  ],
};
