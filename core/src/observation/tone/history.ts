/** Whose history the tone of a lesson is in. */
export const toneHistory = (lessonId: string) => `tone ${lessonId}`;
