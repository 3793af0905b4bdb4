import { ulid } from 'ulid';
import { mostBrought, type BroughtRecord } from '@slate-path/core/archive/changes';
import { applyChange } from '../changes/applyChange';
import type { OpenDatabase } from '../database/open';
import type { Clock } from '../services';

/** Records that are written at once: the server is held up for so many at a time. */
const partLength = mostBrought / 4;

export interface Place {
  database: OpenDatabase;
  clock: Clock;
  teacherId: string;
}

/** What could not be brought in, with the reason; what came before it is kept, and may be brought again. */
export class NotBrought extends Error {}

/** A change of the server's own, through the one door like everything else. @throws NotBrought */
export async function applyHere(
  { database, clock, teacherId }: Place,
  kind: string,
  payload: object,
): Promise<void> {
  const receivedAt = new Date(clock()).toISOString();
  const change = { id: ulid(clock()), madeAt: receivedAt, device: 'archive', kind, payload };
  const { outcome, reason, errors } = await applyChange(database, change, { teacherId, receivedAt });
  if (outcome === 'refused')
    throw new NotBrought([reason, ...errors.map(({ message }) => message)].join(' '));
}

/** Many records, a part at a time. @param told is called with the share that is done @throws NotBrought */
export async function applyInParts(
  place: Place,
  kind: 'archive.bring' | 'archive.goBack',
  records: readonly BroughtRecord[],
  told: (share: number) => void,
): Promise<void> {
  for (let from = 0; from < records.length; from += partLength) {
    await applyHere(place, kind, { records: records.slice(from, from + partLength) });
    told(Math.min(1, (from + partLength) / records.length));
  }
}
