import type { Student } from '../records/schema';
import type { Span } from './searchTerms';

type Named = Pick<Student, 'givenName' | 'familyName' | 'called'>;

/** "D. Q.": all that a reader is shown of another child. */
export function initialsOf({ givenName, familyName, called }: Named): string {
  return [called || givenName, familyName]
    .filter(Boolean)
    .map((name) => `${Array.from(name)[0]?.toUpperCase() ?? ''}.`)
    .join(' ');
}

export interface NoteForReader {
  text: string;
  /** Whom it speaks of, and where; the doubts count as others too. */
  mentions: readonly { student: Named & { id: string }; spans: readonly Span[] }[];
  doubts: readonly Span[];
}

/**
 * A note's text as a reader of one student's notes may see it: every other student by initials, a name
 * that nobody has settled as an ellipsis. Places that overlap with the student's own are the student's.
 * @param studentId whose notes are read
 */
export function textForReader({ text, mentions, doubts }: NoteForReader, studentId: string): string {
  const own = mentions.filter(({ student }) => student.id === studentId).flatMap(({ spans }) => spans);
  const isOwn = (span: Span) => own.some(({ from, to }) => span.from < to && from < span.to);
  const hidden = [
    ...mentions.flatMap(({ student, spans }) => spans.map((span) => ({ span, as: initialsOf(student) }))),
    ...doubts.map((span) => ({ span, as: '…' })),
  ].filter(({ span }) => !isOwn(span));
  let shown = '';
  let at = 0;
  for (const { span, as } of hidden.toSorted((a, b) => a.span.from - b.span.from)) {
    if (span.from < at) continue;
    shown += text.slice(at, span.from) + as;
    at = span.to;
  }
  return shown + text.slice(at);
}
