import { asWritten, noCorrections, type Corrections, type NoteLinks } from '@slate-path/core/notes/links';
import type { Note, NoteStudent, NoteTopic } from '@slate-path/core/records/schema';
import { makeChange } from '../../sync/outbox';
import { doubtsOf, notesHistory } from './write';

/** What a note is tied to, those cut off too. */
export interface Ties {
  students: readonly NoteStudent[];
  topics: readonly NoteTopic[];
}

const idsOf = <T extends { removed: boolean }>(
  ties: readonly T[],
  removed: boolean,
  id: (tie: T) => string,
) => new Set(ties.filter((tie) => tie.removed === removed).map(id));

/** What the teacher had set right in a note, as corrections of a new reading. */
export function correctionsOf(
  note: Note,
  { students, topics }: Ties,
  lookAgainOn: string | null,
): Corrections {
  const answers = new Map<string, Set<string>>();
  for (const { studentId, spans, removed } of students)
    for (const span of removed ? [] : spans) {
      const written = asWritten(note.text, span);
      answers.set(written, (answers.get(written) ?? new Set<string>()).add(studentId));
    }
  const meant = [...answers].flatMap(([written, [id, another]]) =>
    id && !another ? [[written, id] as const] : [],
  );
  const byHand = students.filter(({ spans }) => spans.length === 0);
  return {
    ...noCorrections,
    meant: Object.fromEntries(meant),
    notStudents: idsOf(students, true, ({ studentId }) => studentId),
    moreStudents: idsOf(byHand, false, ({ studentId }) => studentId),
    notTopics: idsOf(topics, true, ({ topicId }) => topicId),
    moreTopics: idsOf(topics, false, ({ topicId }) => topicId),
    lookAgainOn,
  };
}

/** Keeps a note's new text and ties as one change; the day to look again is a change of its own. */
export function keepEdit(note: Note, text: string, links: NoteLinks, { students, topics }: Ties): void {
  const now = new Set(links.students.map(({ studentId }) => studentId));
  const touched = new Set(links.topics.map(({ topicId }) => topicId));
  const cut = { spans: [], removed: true };
  makeChange(
    'note.edit',
    {
      id: note.id,
      ...(text === note.text ? {} : { text }),
      doubts: doubtsOf(links),
      students: [
        ...links.students.map((tie) => ({ ...tie, removed: false })),
        ...students
          .filter((tie) => !tie.removed && !now.has(tie.studentId))
          .map(({ studentId }) => ({ studentId, ...cut })),
      ],
      topics: [
        ...links.topics.map((tie) => ({ ...tie, removed: false })),
        ...topics
          .filter((tie) => !tie.removed && !touched.has(tie.topicId))
          .map(({ topicId }) => ({ topicId, ...cut })),
      ],
    },
    notesHistory,
  );
}
