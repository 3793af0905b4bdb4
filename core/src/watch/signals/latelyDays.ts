/** So many days are "lately", today among them. In a file of its own: the application has it without schemas. */
export const latelyDays = 28;
