import { calendarEdits } from '../calendar/edits';
import { circleEdits } from '../observation/circle/edits';
import { checkInEdits } from '../attendance/checkIn/edits';
import { messageEdits } from '../people/messages/edits';
import { noteEdits } from '../notes/edits';
import { observationEdits } from '../observation/closeWatch/edits';
import { nodEdits } from '../nods/edits';
import { phraseEdits } from '../phrases/edits';
import { participantEdits } from '../attendance/participants/edits';
import { peopleEdits } from '../people/edits';
import { rollEdits } from '../attendance/roll/edits';
import { roomEdits } from '../people/room/edits';
import { rosterEdits } from '../people/roster/edits';
import { sidesEdits } from '../observation/sides/edits';
import { sweepEdits } from '../observation/sweep/edits';
import { tallyEdits } from '../observation/tallies/edits';
import { tickEdits } from '../ticks/edits';
import { toneEdits } from '../observation/tone/edits';
import { turnEdits } from '../observation/turns/edits';
import { watchEdits } from '../watch/edits';
import { ownWorkEdits } from '../work/own/edits';
import { pieceEdits } from '../work/edits';
import type { Edit } from './edit';
import type { ChangeOf, KindName } from './schema';

/** What every kind of change does to the records. A new kind is added here and in `schema.ts`. */
const editsByKind = {
  ...calendarEdits,
  ...peopleEdits,
  ...rosterEdits,
  ...rollEdits,
  ...messageEdits,
  ...participantEdits,
  ...checkInEdits,
  ...ownWorkEdits,
  ...pieceEdits,
  ...tallyEdits,
  ...circleEdits,
  ...roomEdits,
  ...turnEdits,
  ...sweepEdits,
  ...noteEdits,
  ...phraseEdits,
  ...nodEdits,
  ...tickEdits,
  ...sidesEdits,
  ...toneEdits,
  ...observationEdits,
  ...watchEdits,
};

/** The edits of a change (an undo has none of its own: it takes back those of another). */
export function editsOf(change: ChangeOf<KindName>): Edit[] {
  const edits = editsByKind[change.kind] as (payload: unknown) => Edit[];
  return edits(change.payload);
}
