/** Whose history a lesson's tallies are in: taking back the last tally leaves the roll alone. */
export const tallyHistory = (lessonId: string) => `tally ${lessonId}`;
