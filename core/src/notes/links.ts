import type { NoteReading } from './readNote';
import type { Span } from './searchTerms';

/** What the teacher set right in a reading, by tapping. */
export interface Corrections {
  /** Who is meant by a name as it is written ("mei"); null is no student. */
  meant: Readonly<Record<string, string | null>>;
  /** Students and topics that were read and are not meant. */
  notStudents: ReadonlySet<string>;
  notTopics: ReadonlySet<string>;
  /** Those that stand in no word of the note. */
  moreStudents: ReadonlySet<string>;
  moreTopics: ReadonlySet<string>;
  /** Another day to look again; null is none; undefined is as it was read. */
  lookAgainOn: string | null | undefined;
}

export const noCorrections: Corrections = {
  meant: {},
  notStudents: new Set(),
  notTopics: new Set(),
  moreStudents: new Set(),
  moreTopics: new Set(),
  lookAgainOn: undefined,
};

/** A name that has to be asked about, at all its places. */
export interface Doubt {
  /** As it is written, folded: what an answer is kept by. */
  written: string;
  spans: Span[];
  candidates: string[];
}

/** What a note is tied to: the reading with what was set right. */
export interface NoteLinks {
  students: { studentId: string; spans: Span[] }[];
  topics: { topicId: string; spans: Span[] }[];
  doubts: Doubt[];
  lookAgainOn: string | null;
}

/** What a correction of a name is kept by. */
export function asWritten(text: string, { from, to }: Span): string {
  return text.slice(from, to).toLowerCase();
}

function gathered<T>(found: readonly { key: T; span: Span }[]): Map<T, Span[]> {
  const spans = new Map<T, Span[]>();
  for (const { key, span } of found) {
    const known = spans.get(key);
    if (known) known.push(span);
    else spans.set(key, [span]);
  }
  return spans;
}

/** Lays corrections over a reading. @param text that was read */
export function noteLinks(text: string, reading: NoteReading, corrections: Corrections): NoteLinks {
  const { meant, notStudents, notTopics, moreStudents, moreTopics } = corrections;
  const students: { key: string; span: Span }[] = [];
  const doubts = new Map<string, Doubt>();
  for (const { from, to, studentIds, candidates } of reading.students) {
    const span = { from, to };
    const written = asWritten(text, span);
    const answer = meant[written];
    if (answer !== undefined) {
      if (answer !== null) students.push({ key: answer, span });
    } else if (studentIds.length > 0) students.push(...studentIds.map((key) => ({ key, span })));
    else {
      const doubt = doubts.get(written) ?? { written, spans: [], candidates };
      doubts.set(written, { ...doubt, spans: [...doubt.spans, span] });
    }
  }
  const spansOf = gathered(students);
  for (const id of moreStudents) if (!spansOf.has(id)) spansOf.set(id, []);
  const topicSpans = gathered(
    reading.topics.map(({ from, to, topicId }) => ({ key: topicId, span: { from, to } })),
  );
  for (const id of moreTopics) if (!topicSpans.has(id)) topicSpans.set(id, []);
  return {
    students: [...spansOf].flatMap(([studentId, spans]) =>
      notStudents.has(studentId) ? [] : [{ studentId, spans }],
    ),
    topics: [...topicSpans].flatMap(([topicId, spans]) =>
      notTopics.has(topicId) ? [] : [{ topicId, spans }],
    ),
    doubts: [...doubts.values()],
    lookAgainOn: corrections.lookAgainOn === undefined ? reading.lookAgainOn : corrections.lookAgainOn,
  };
}
