/** What an observer says of one interval and one student has one place: said again, it takes the place of the first. */
export const answerId = (observationId: string, interval: number, studentPlace: number) =>
  `${observationId}.${interval}.${studentPlace}`;

/** What is said of a student's sessions has one place, whichever device it is said on. */
export const commentId = (planId: string, studentId: string) => `${planId}.${studentId}`;
