import { z } from 'zod';
import { LessonKey } from '../../attendance/roll/changes';
import { changeKind } from '../../changes/kind';
import { Id, recordFields } from '../../records/schema';
import { sidesHistory } from './history';

const { game, gamePoint } = recordFields;
const ofLesson = ({ lessonId }: { lessonId: string }) => sidesHistory(lessonId);

export const sidesChanges = {
  'game.start': changeKind(
    z.strictObject({
      lesson: LessonKey,
      id: Id,
      ...game.pick({ name: true, sides: true, formedBy: true, seed: true, startedAt: true }).shape,
    }),
    ({ lesson }) => sidesHistory(lesson.id),
  ),
  // Only what changes: two devices that steer one game decide each thing by itself.
  'game.set': changeKind(
    game
      .pick({ name: true, sides: true, round: true, clock: true, endedAt: true })
      .partial()
      .extend({ id: Id, lessonId: Id })
      .strict(),
    ofLesson,
  ),
  'game.remove': changeKind(z.strictObject({ id: Id, lessonId: Id, removed: z.boolean() }), ofLesson),
  'gamePoint.give': changeKind(
    gamePoint.omit({ corrections: true }).extend({ id: Id, lessonId: Id }).strict(),
    ofLesson,
  ),
  'gamePoint.correct': changeKind(
    z.strictObject({ id: Id, lessonId: Id, ...gamePoint.pick({ corrections: true }).shape }),
    ofLesson,
  ),
};
