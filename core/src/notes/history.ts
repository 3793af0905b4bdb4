/** Whose history what is done to topics is in. */
export const topicHistory = 'topics';
