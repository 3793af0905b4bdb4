import type { ArchiveRow } from './tables';

/** Ids that the format has no place for are made of what the row says, so that every device makes the same. */
export const derivedId = {
  guardian: (studentId: string, index: number) => `${studentId}/g${index}`,
  enrolment: (row: Pick<ArchiveRow<'enrolments'>, 'section_id' | 'student_id' | 'starts_on'>) =>
    `${row.section_id}/${row.student_id}/${row.starts_on ?? ''}`,
  dayOff: (date: string, name: string) => `off/${date}/${name}`,
};

/** An id that our own are never longer than, where two are joined to one. */
export const within = (id: string) => (id.length <= 64 ? id : id.slice(0, 64));
