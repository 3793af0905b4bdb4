/** The id of what ties a note to a student or a topic: every device derives the same one. */
export const linkId = (noteId: string, otherId: string) => `${noteId}.${otherId}`;
