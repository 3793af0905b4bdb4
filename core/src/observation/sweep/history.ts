/** Whose history a lesson's sweep is in. */
export const sweepHistory = (lessonId: string) => `sweep ${lessonId}`;
