/** The id of a student's mark in a lesson: two devices that mark the same student mean the same record. */
export function markId(lessonId: string, studentId: string): string {
  return `${lessonId}/${studentId}`;
}
