/** Which mark is open for correction. */
export interface OpenMark {
  lessonId: string;
  studentId: string;
}
