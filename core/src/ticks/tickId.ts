/** The id of what stands in a column for a student: two devices mean the same record. */
export const tickId = (columnId: string, studentId: string): string => `${columnId}.${studentId}`;

/** What *Take back* calls tick-sheets by: one change may be about several classes. */
export const ticksHistory = 'ticks';
