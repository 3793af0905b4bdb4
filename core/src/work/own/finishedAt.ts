/** The moment that stands for a day of which no time is known. @param date local day */
export const finishedAt = (date: string): string => `${date}T12:00:00`;
