/** A date that has been read, as against one that is still being typed. */
export const LocalDateShape = /^\d{4}-\d{2}-\d{2}$/;
