import type { LessonRow } from './lessonRow';

/**
 * Whether somebody is out of reach in a lesson. Before its roll is taken everybody is taken to be here, but for
 * those of whom something else is recorded, as an absence that is planned.
 */
export const isAway = ({ presence }: Pick<LessonRow, 'presence'>) => presence.away || presence.setAside;
