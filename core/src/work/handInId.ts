/** The id of a student's part of a piece of work: two devices, or a file and a device, mean the same record. */
export const handInId = (workId: string, studentId: string): string => `${workId}.${studentId}`;
