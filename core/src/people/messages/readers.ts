import type { Guardian, Message, Student } from '../../records/schema';

/** One student a message is for, with the addresses it would go to and what was written before. */
export interface Reader {
  student: Student;
  addresses: string[];
  /** The last message about the same occasion to the same readers. */
  before: Message | undefined;
}

/** The addresses of a student or the guardians, each once. */
export function addressesOf(
  student: Student,
  guardians: readonly Guardian[],
  toWhom: Message['toWhom'],
): string[] {
  const found =
    toWhom === 'student'
      ? [student.email]
      : guardians.filter((g) => !g.removed && g.studentId === student.id).map(({ email }) => email);
  const byCase = new Map(found.filter(Boolean).map((address) => [address.toLowerCase(), address]));
  return [...byCase.values()];
}

/** Who can be written to about an occasion, in the order given; those without an address have none. */
export function readersOf(
  students: readonly Student[],
  guardians: readonly Guardian[],
  messages: readonly Message[],
  { toWhom, occasion }: Pick<Message, 'toWhom' | 'occasion'>,
): Reader[] {
  return students.map((student) => ({
    student,
    addresses: addressesOf(student, guardians, toWhom),
    before: messages.findLast(
      (message) =>
        !message.removed &&
        message.studentId === student.id &&
        message.occasion === occasion &&
        message.toWhom === toWhom,
    ),
  }));
}
