/** Whose history the games of a lesson are in. */
export const sidesHistory = (lessonId: string) => `sides ${lessonId}`;
