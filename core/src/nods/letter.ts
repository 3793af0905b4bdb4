/** What a letter about a nod says. */
export interface NodToTell {
  fullName: string;
  className: string;
  reason: string;
  place: string;
  comment: string;
  teacherName: string;
}

/** What the student, or home, reads about a nod. @returns subject and body as text */
export function nodLetter(
  { fullName, className, reason, place, comment, teacherName }: NodToTell,
  toWhom: 'student' | 'guardians',
): { subject: string; body: string } {
  const where = [className, place].filter(Boolean).join(', ');
  const what = reason === '' ? '' : `: ${reason}`;
  const sentence =
    toWhom === 'student' ? `you got a nod in ${where}${what}.` : `${fullName} got a nod in ${where}${what}.`;
  const greeting = toWhom === 'student' ? `Dear ${fullName},` : 'Good day,';
  return {
    subject: `A nod for ${fullName}`.slice(0, 200),
    body: [greeting, sentence, comment, teacherName].filter(Boolean).join('\n\n').slice(0, 5000),
  };
}
