/** A local moment with its seconds, so that two of them compare as text. @param moment `YYYY-MM-DDTHH:MM[:SS]` */
export const wholeMoment = (moment: string): string => (moment.length === 16 ? `${moment}:00` : moment);

/** The last second of a day: a look at the end of it. @param day `YYYY-MM-DD` */
export const endOfDay = (day: string): string => `${day}T23:59:59`;
