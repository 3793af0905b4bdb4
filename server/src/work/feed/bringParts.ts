import { ulid } from 'ulid';
import { pieceKey, planBring } from '@slate-path/core/work/bring/planBring';
import { handInsOf } from '@slate-path/core/work/bring/statementParts';
import { applyChanges } from '../../changes/applyChange';
import { In, IsNull } from '../../database/conditions';
import { load } from '../../database/load';
import type { Place } from '../bringActivity';
import type { PartOfStudent } from './readFeedPage';

/** What one change holds. */
const mostHandIns = 5000;

/**
 * What statements say of the pieces of work that the class has, as a change that a file would make: handed in at, score.
 * @returns how many hand-ins were written, by which changes, and what is of pieces that the class has not
 */
export async function bringParts<T extends PartOfStudent>(
  { database, clock, teacherId, sectionId, heard }: Place,
  source: { name: string; digest: string },
  parts: readonly T[],
): Promise<{ handIns: number; changes: { id: string }[]; unplaced: T[] }> {
  if (parts.length === 0) return { handIns: 0, changes: [], unplaced: [] };
  const work = await load(database.read, 'work', teacherId, {
    sectionId,
    studentId: IsNull(),
    removed: false,
  });
  const known = await load(database.read, 'handIn', teacherId, { workId: In(work.map(({ id }) => id)) });
  const studentIds = [...new Set(parts.map(({ studentId }) => studentId))];
  const read = handInsOf(
    parts.map(({ studentId, ...part }) => ({ ...part, person: studentIds.indexOf(studentId) })),
  );
  const plan = planBring(
    { ...read, onlyKnown: true },
    {
      work,
      handIns: Object.fromEntries(known.map((one) => [one.id, one])),
      students: new Map(studentIds.map((studentId, index) => [index, studentId])),
      newId: () => '',
    },
  );
  const handIns = plan.handIns
    .filter(({ fate }) => fate !== 'same')
    .map(({ fate: _fate, ...handIn }) => handIn);
  const { name, digest } = source;
  const madeAt = new Date(clock()).toISOString();
  const changes = Array.from({ length: Math.ceil(handIns.length / mostHandIns) }, (_, part) => ({
    id: ulid(clock()),
    kind: 'work.bring',
    madeAt,
    device: 'feed',
    payload: {
      sectionId,
      source: { name, digest },
      pieces: [],
      handIns: handIns.slice(part * mostHandIns, (part + 1) * mostHandIns),
    },
  }));
  await applyChanges(database, changes, () => ({ teacherId, receivedAt: madeAt, heard }));
  const titles = new Set(work.map(({ title }) => pieceKey(title)));
  const unplaced = parts.filter(({ title }) => !titles.has(pieceKey(title)));
  return { handIns: handIns.length, changes, unplaced };
}
