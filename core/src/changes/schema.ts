import { z } from 'zod';
import { Id, Instant } from '../records/schema';
import { calendarChanges } from '../calendar/changes';
import { circleChanges } from '../observation/circle/changes';
import { checkInChanges } from '../attendance/checkIn/changes';
import { messageChanges } from '../people/messages/changes';
import { noteChanges } from '../notes/changes';
import { observationChanges } from '../observation/closeWatch/changes';
import { nodChanges } from '../nods/changes';
import { phraseChanges } from '../phrases/changes';
import { participantChanges } from '../attendance/participants/changes';
import { peopleChanges } from '../people/changes';
import { rollChanges } from '../attendance/roll/changes';
import { roomChanges } from '../people/room/changes';
import { rosterChanges } from '../people/roster/changes';
import { sidesChanges } from '../observation/sides/changes';
import { sweepChanges } from '../observation/sweep/changes';
import { tallyChanges } from '../observation/tallies/changes';
import { tickChanges } from '../ticks/changes';
import { toneChanges } from '../observation/tone/changes';
import { turnChanges } from '../observation/turns/changes';
import { watchChanges } from '../watch/changes';
import { ownWorkChanges } from '../work/own/changes';
import { pieceChanges } from '../work/changes';
import type { ChangeKind, PayloadOf } from './kind';

/** Every kind of change there is. */
export const changeKinds = {
  ...calendarChanges,
  ...peopleChanges,
  ...rosterChanges,
  ...rollChanges,
  ...messageChanges,
  ...participantChanges,
  ...checkInChanges,
  ...ownWorkChanges,
  ...pieceChanges,
  ...tallyChanges,
  ...circleChanges,
  ...roomChanges,
  ...turnChanges,
  ...sweepChanges,
  ...noteChanges,
  ...phraseChanges,
  ...nodChanges,
  ...tickChanges,
  ...sidesChanges,
  ...toneChanges,
  ...observationChanges,
  ...watchChanges,
};

export type KindName = keyof typeof changeKinds;

const Ulid = z.string().regex(/^[0-7][0-9A-HJKMNP-TV-Z]{25}$/, 'A change id is a ULID');

/** What every change carries: who made it up (a device), when, and an id that makes it happen once. */
const envelope = { id: Ulid, madeAt: Instant, device: Id };

const Undo = z.strictObject({
  ...envelope,
  kind: z.literal('undo'),
  // Of a change to many records only some may be taken back, as one student's mark of a whole roll.
  payload: z.strictObject({ changeId: Ulid, recordIds: z.array(Id).min(1).max(500).optional() }),
});

const kindSchemas = Object.entries(changeKinds).map(([kind, { payload }]) =>
  z.strictObject({ ...envelope, kind: z.literal(kind), payload }),
);

export type ChangeOf<K extends KindName> = {
  [N in K]: {
    id: string;
    madeAt: string;
    device: string;
    kind: N;
    payload: PayloadOf<(typeof changeKinds)[N]>;
  };
}[K];
export type UndoChange = z.infer<typeof Undo>;
export type Change = ChangeOf<KindName> | UndoChange;

/** A change as it travels and as it stands in the log. */
export const Change = z.discriminatedUnion('kind', [Undo, ...kindSchemas]) as unknown as z.ZodType<Change>;

/** A batch is read one by one, so that one bad change does not take the others with it. */
export const ChangeBatch = z.strictObject({
  changes: z.array(z.unknown()).min(1).max(500, 'At most 500 changes at once'),
});

export const ChangeAnswer = z.object({
  id: z.string(),
  outcome: z.enum(['applied', 'refused']),
  /** Fields that a later change had already decided; they were left alone. */
  overruled: z.array(z.object({ table: z.string(), id: z.string(), fields: z.array(z.string()) })),
  reason: z.string().nullable(),
  errors: z.array(z.object({ field: z.string(), message: z.string() })),
});
export type ChangeAnswer = z.infer<typeof ChangeAnswer>;

/** The record whose history a change belongs to, if any. */
export function aboutOf(change: ChangeOf<KindName>): string | null {
  const kind = changeKinds[change.kind] as unknown as ChangeKind;
  return kind.about(change.payload);
}
