import type { Message } from '@slate-path/core/records/schema';

export type Group = 'away' | 'times' | 'never' | 'owes' | 'ticks' | 'everyone';

interface Template {
  subject: string;
  body: string;
}

const toStudents: Record<Group, Template> = {
  away: {
    subject: 'You were missed in {class}',
    body: 'Dear {name},\n\nyou were not in {class} on {date}. Is there anything I should know? Ask a neighbour what we did, or come and see me.',
  },
  times: {
    subject: '{class}: away {times} times this month',
    body: 'Dear {name},\n\nthis month you were away from {class} {times} times: {dates}. Let us talk about it; come and see me before the next lesson.',
  },
  never: {
    subject: '{class}: not seen this month',
    body: 'Dear {name},\n\nI have not seen you in {class} this month. Please answer, so that I know how you are.',
  },
  owes: {
    subject: '{class}: what is still missing',
    body: 'Dear {name},\n\nin {class} I still miss from you: {work}. Hand it in this week, or tell me what you need for it.',
  },
  ticks: {
    subject: '{class}: what is still missing',
    body: 'Dear {name},\n\nfor {class} I still miss from you: {work}. Bring it this week, or tell me what you need for it.',
  },
  everyone: { subject: '{class}', body: 'Dear {name},\n\n' },
};

const toGuardians: Record<Group, Template> = {
  away: {
    subject: '{full name} was away on {date}',
    body: 'Good day,\n\n{full name} was not in {class} on {date}. If you know why, please answer with a word.',
  },
  times: {
    subject: '{full name}: away {times} times this month',
    body: 'Good day,\n\nthis month {full name} was away from {class} {times} times: {dates}. Can we talk about it?',
  },
  never: {
    subject: '{full name} was not in {class} this month',
    body: 'Good day,\n\nI have not seen {full name} in {class} this month. Please answer with a word.',
  },
  owes: {
    subject: '{class}: work of {full name} that is still missing',
    body: 'Good day,\n\nin {class} I still miss from {full name}: {work}. If something stands in the way, please answer with a word.',
  },
  ticks: {
    subject: '{class}: what is still missing from {full name}',
    body: 'Good day,\n\nfor {class} I still miss from {full name}: {work}. If something stands in the way, please answer with a word.',
  },
  everyone: { subject: '{class}', body: 'Good day,\n\n' },
};

/** What to begin with: the teacher writes the rest. */
export function templateFor(group: Group, toWhom: Message['toWhom'], teacherName: string): Template {
  const { subject, body } = (toWhom === 'student' ? toStudents : toGuardians)[group];
  return { subject, body: `${body}\n\n${teacherName}` };
}
