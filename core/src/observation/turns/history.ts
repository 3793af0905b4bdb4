/** Whose history a lesson's turns are in. */
export const turnHistory = (lessonId: string) => `turns ${lessonId}`;
