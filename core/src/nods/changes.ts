import { z } from 'zod';
import { changeKind } from '../changes/kind';
import { Id, recordFields } from '../records/schema';
import { drawnOf, winnersOf } from './draws/drawn';
import { isGapless } from './draws/lot';

const { draw, nod, nodReason, nodTelling, message } = recordFields;
const history = () => 'nods';

export const nodChanges = {
  // To one or several, with what is written to them and their guardians about it.
  'nod.give': changeKind(
    nod
      .omit({ studentId: true })
      .extend({
        nods: z
          .array(z.strictObject({ id: Id, studentId: Id }))
          .min(1)
          .max(200),
        messages: z.array(message.extend({ id: Id })).max(400),
      })
      .strict(),
    history,
  ),
  // Set right, with what the letters that have not gone yet say.
  'nod.set': changeKind(
    nod
      .pick({ reason: true, place: true, comment: true })
      .extend({
        ids: z.array(Id).min(1).max(200),
        messages: z.array(z.strictObject({ id: Id, body: message.shape.body })).max(400),
      })
      .strict(),
    history,
  ),
  // With the letters about them that have not gone yet.
  'nod.remove': changeKind(
    z.strictObject({ ids: z.array(Id).min(1).max(200), messageIds: z.array(Id).max(400) }),
    history,
  ),
  'nodReason.set': changeKind(nodReason.extend({ id: Id }).strict(), history),
  'nodReason.retire': changeKind(z.strictObject({ id: Id, retired: z.boolean() }), history),
  'nodTelling.set': changeKind(nodTelling.strict(), history),
  'draw.make': changeKind(
    draw
      .extend({ id: Id })
      .strict()
      .refine((made) => made.winners.length > 0, 'Nobody was drawn')
      .refine(
        (made) => isGapless(made) && winnersOf(drawnOf(made)).join() === made.winners.join(),
        'Others are drawn with this seed from this list',
      ),
    history,
  ),
  'draw.remove': changeKind(z.strictObject({ id: Id }), history),
};
