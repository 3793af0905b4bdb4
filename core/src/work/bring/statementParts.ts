import type { HandInRead, PieceRead } from './reading';

/** What one statement says of a piece of work, told by its title. */
export interface StatementPart {
  /** Index of the person. */
  person: number;
  title: string;
  /** Local to the school. */
  at: string;
  /** `handed_in` by the student; `scored` by a teacher afterwards; `marked` by the platform at once. */
  says: 'handed_in' | 'scored' | 'marked';
  score: number | null;
  /** The score as a share of the points, 0 to 1. */
  share: number | null;
  /** The statement's own id. */
  ref: string | null;
  line: number;
}

interface Result {
  score?: { scaled?: number | undefined; raw?: number | undefined; max?: number | undefined } | undefined;
}

const says: Readonly<Record<string, StatementPart['says']>> = {
  'handed in': 'handed_in',
  'got a score': 'scored',
  passed: 'marked',
  'did not pass': 'marked',
  finished: 'marked',
};

/**
 * The part that a statement is of, where it is of one: something was handed in, or has a score. A scaled score below
 * zero is none of a piece of work. @param kind as `verbs.ts` has it
 */
export function partOf(
  {
    person,
    kind,
    object,
    at,
    ref,
    line,
  }: { person: number; kind: string; object: string; at: string; ref: string | null; line: number },
  result: Result | undefined,
): StatementPart | null {
  const what = says[kind];
  const { scaled, raw, max } = result?.score ?? {};
  const share = scaled ?? (raw !== undefined && max ? raw / max : null);
  const score = share === null ? (raw ?? null) : null;
  const known = (share ?? score ?? -1) >= 0;
  if (!what || object === '' || (what !== 'handed_in' && !known)) return null;
  return {
    person,
    title: object,
    at,
    says: what,
    score: known ? score : null,
    share: known ? share : null,
    ref,
    line,
  };
}

const earlier = (a: string | null, b: string | null) => (a === null || b === null ? (a ?? b) : a < b ? a : b);

/** Parts of one person in one piece become one hand-in: the first time that it was handed in, the last score. */
export function handInsOf(parts: readonly StatementPart[]): { pieces: PieceRead[]; handIns: HandInRead[] } {
  const titles = [...new Set(parts.map(({ title }) => title))];
  const found = new Map<string, HandInRead>();
  for (const part of parts.toSorted((a, b) => (a.at < b.at ? -1 : 1))) {
    const piece = titles.indexOf(part.title);
    const key = `${part.person} ${piece}`;
    const before = found.get(key);
    const scored = part.share !== null || part.score !== null;
    found.set(key, {
      person: part.person,
      piece,
      status: 'handed_in',
      handedInAt: earlier(before?.handedInAt ?? null, part.says === 'scored' ? null : part.at),
      handedBackAt: part.says === 'handed_in' ? (before?.handedBackAt ?? null) : part.at,
      score: scored ? part.score : (before?.score ?? null),
      share: scored ? (part.share ?? undefined) : before?.share,
      line: part.line,
    });
  }
  const pieces = titles.map((title) => ({ title, assignedAt: null, dueAt: null, points: null }));
  return { pieces, handIns: [...found.values()] };
}
