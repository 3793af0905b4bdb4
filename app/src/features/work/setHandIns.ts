import type { HandInToSet } from '@slate-path/core/work/changes';
import type { HandIn, Work } from '@slate-path/core/records/schema';
import { now, zoneOf } from '../../sync/clock';
import { makeChange } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';
import { localSeconds } from '@slate-path/core/keeping/archive/localSeconds';
import type { Part } from './usePiece';

/** What a tap on a student says of a piece of work. */
export const marks = ['in', 'late', 'excused', 'back'] as const;
export type Mark = (typeof marks)[number];

const nothing = { handedInAt: null, handedBackAt: null, score: null };

/** The school's present, to the second. */
export function localNow(): string {
  const { school } = useRecords.getState().current;
  return localSeconds(new Date(now()).toISOString(), zoneOf(Object.values(school)[0]));
}

function fieldsOf(handIn: HandIn | undefined): Omit<HandInToSet, 'studentId'> {
  if (!handIn) return { status: null, ...nothing };
  const { status, handedInAt, handedBackAt, score } = handIn;
  return { status, handedInAt, handedBackAt, score };
}

/**
 * What becomes of a student's part. In: handed in, or missing where it was; once it is due the time is not known, so
 * that it counts as on time. Late: handed in now.
 */
function turned({ handIn, status }: Part, { dueAt }: Work, mark: Mark): Omit<HandInToSet, 'studentId'> {
  const before = fieldsOf(handIn);
  const at = localNow();
  switch (mark) {
    case 'in': {
      if (status === 'on_time' || status === 'late')
        return { ...before, status: 'missing', handedInAt: null };
      const early = dueAt === null || at <= dueAt;
      return { ...before, status: 'handed_in', handedInAt: early ? at : null };
    }
    case 'late':
      return status === 'late'
        ? { ...before, status: 'missing', handedInAt: null }
        : { ...before, status: 'handed_in', handedInAt: at };
    case 'excused':
      return status === 'excused' ? { ...before, status: 'missing' } : { ...before, status: 'excused' };
    case 'back':
      return { ...before, handedBackAt: before.handedBackAt === null ? at : null };
  }
}

function set(work: Work, handIns: HandInToSet[]): void {
  if (handIns.length === 0) return;
  makeChange('handIn.set', { sectionId: work.sectionId, workId: work.id, handIns }, work.id);
}

/** Says it of one student. */
export function markPart(work: Work, part: Part, mark: Mark): void {
  if (mark === 'back' && !part.waits && part.handIn?.handedBackAt == null) return;
  set(work, [{ studentId: part.student.id, ...turned(part, work, mark) }]);
}

/** Handed in, by everybody of whom nothing else is known. */
export function markAllIn(work: Work, parts: readonly Part[]): void {
  const open = parts.filter(({ status }) => !['on_time', 'late', 'excused'].includes(status));
  set(
    work,
    open.map((part) => ({ studentId: part.student.id, ...turned(part, work, 'in') })),
  );
}

/** Everything that waits is handed back, in one go. */
export function handBackAll(work: Work, parts: readonly Part[]): void {
  const waiting = parts.filter(({ waits }) => waits);
  set(
    work,
    waiting.map((part) => ({ studentId: part.student.id, ...turned(part, work, 'back') })),
  );
}

/** A score in points, or in letters or words. */
export interface Scored {
  score: number | null;
  written: string | null;
}

/** A score that was typed; what was scored was handed in. */
export function setScore(work: Work, { student, handIn }: Part, scored: Scored): void {
  const before = fieldsOf(handIn);
  if (before.score === scored.score && (handIn?.written ?? null) === scored.written) return;
  const isScored = scored.score !== null || scored.written !== null;
  const status = before.status === null && isScored ? 'handed_in' : before.status;
  set(work, [{ studentId: student.id, ...before, ...scored, status }]);
}
