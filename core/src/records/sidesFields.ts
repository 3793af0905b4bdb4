import { z } from 'zod';
import {
  longestGameName,
  longestSideName,
  mostPoints,
  mostRounds,
  mostSides,
  sideMarks,
  waysToForm,
} from '../observation/sides/limits';
import { highestTone, lowestTone } from '../observation/tone/levels';
import { Id, Instant } from './values';

/** A team: what it is called, the drawn mark that tells it from the others, and who is in it. */
const Side = z.strictObject({
  name: z.string().trim().min(1, 'What is the side called?').max(longestSideName, 'At most 24 characters'),
  mark: z.enum(sideMarks),
  studentIds: z.array(Id).max(200),
});

/** A clock that runs down: what was left when it was last started, stopped or set. */
const Clock = z.strictObject({
  lengthSeconds: z.int().min(1).max(36_000),
  leftSeconds: z.number().min(0).max(36_000),
  /** Null: it stands. */
  runningSince: Instant.nullable(),
});

const side = z
  .int()
  .min(0)
  .max(mostSides - 1);
const amount = z.int().min(-mostPoints, 'At most 100,000 at once').max(mostPoints, 'At most 100,000 at once');

/** What the whole room does: games of sides, and its tone. */
export const sidesFields = {
  // A game of two to eight sides.
  game: z.object({
    lessonId: Id,
    name: z.string().trim().max(longestGameName, 'At most 60 characters'),
    sides: z.array(Side).min(2, 'A game has at least two sides').max(mostSides, 'At most eight sides'),
    formedBy: z.enum(waysToForm),
    /** Of what was left to chance; null where nothing was. */
    seed: z.int().min(0).nullable(),
    startedAt: Instant,
    endedAt: Instant.nullable(),
    round: z.int().min(1).max(mostRounds),
    clock: Clock.nullable(),
  }),
  // Points that a side was given.
  gamePoint: z.object({
    gameId: Id,
    side,
    /** Who earned them; null: the whole side. */
    studentId: Id.nullable(),
    amount,
    round: z.int().min(1).max(mostRounds),
    at: Instant,
    /** What was set right afterwards, one after the other; the last one counts. What was given first stays above. */
    corrections: z.array(z.strictObject({ side, amount, at: Instant })).max(50),
  }),
  // How the whole class was, from then on.
  roomTone: z.object({ lessonId: Id, at: Instant, level: z.int().min(lowestTone).max(highestTone) }),
} as const;
