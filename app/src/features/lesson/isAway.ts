import type { LessonRow } from './LessonScreen';

/** Whether somebody is out of reach in a lesson; before its roll is taken, everybody is taken to be here. */
export const isAway = ({ lesson, presence }: Pick<LessonRow, 'lesson' | 'presence'>) =>
  lesson.takenAt !== null && (presence.away || presence.setAside);
