import { LessonKey } from '@slate-path/core/attendance/roll/changes';

/** Kinds of change that alter nothing that is kept of a class: they are laid over it where it is shown. */
const silent = new Set([
  ...['concern.quiet', 'concern.show', 'pathSummary.keep', 'message.send'],
  ...['nod.give', 'nod.set', 'nod.remove', 'nodReason.set', 'nodReason.retire', 'nodTelling.set'],
  ...['draw.make', 'draw.remove'],
  ...['tickColumn.set', 'tickColumn.remove', 'tick.set', 'ticks.bring', 'seatWish.set', 'seatWish.remove'],
  ...['game.start', 'game.set', 'game.remove', 'gamePoint.give', 'gamePoint.correct'],
  ...['roomTone.set', 'roomTone.remove'],
  ...['observationPlan.set', 'observationPlan.remove', 'observationPhase.set', 'observationPhase.remove'],
  ...['observationComment.set', 'observation.start', 'observation.set', 'observation.remove'],
  ...['observationEvent.set', 'observationEvent.remove'],
  ...['phrase.add', 'phrase.set', 'phrase.remove', 'phrase.favour', 'phrase.use'],
]);
/** Kinds that are about the class they name, or about any where they name none. */
const ofOneClass = new Set([
  ...['step.take', 'watchSetting.set', 'piece.set', 'piece.remove', 'handIn.set'],
  ...['work.bring', 'activity.bring'],
]);

interface Named {
  kind?: unknown;
  payload?: { lesson?: unknown; sectionId?: unknown } | null;
}

/**
 * The classes whose part of the watch list a change may alter, by what it names.
 * @returns null where any may be meant: a student or a standing is of several classes
 */
export function sectionsOf(change: unknown): ReadonlySet<string> | null {
  const { kind, payload } = (change ?? {}) as Named;
  if (typeof kind !== 'string') return null;
  if (silent.has(kind)) return new Set();
  const lesson = LessonKey.safeParse(payload?.lesson);
  if (lesson.success) return new Set([lesson.data.sectionId]);
  const sectionId = payload?.sectionId;
  return ofOneClass.has(kind) && typeof sectionId === 'string' ? new Set([sectionId]) : null;
}
