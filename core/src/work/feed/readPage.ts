import { readEachStatement, type StatementsRead } from '../bring/readStatements';

/** An answer of a record store: statements, and where there are more. */
export interface StorePage extends StatementsRead {
  /** When each action was stored, in milliseconds; by the same index. */
  storedAt: (number | null)[];
  /** The latest of all statements, also of those that could not be read. */
  lastStored: number | null;
  count: number;
  /** As the store writes it, relative to its own address; empty where this is the last page. */
  more: string;
}

/** An answer that is none; the sentence says what came instead. */
export class PageError extends Error {}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;

function storedOf(value: unknown): number | null {
  if (!isObject(value)) return null;
  const written = value['stored'] ?? value['timestamp'];
  const at = typeof written === 'string' ? Date.parse(written) : NaN;
  return Number.isNaN(at) ? null : at;
}

function parsed(text: string): Record<string, unknown> {
  if (/^\s*</.test(text)) throw new PageError('It answers with a page to look at, not with statements.');
  try {
    const whole: unknown = JSON.parse(text);
    if (isObject(whole) && Array.isArray(whole['statements'])) return whole;
  } catch {
    throw new PageError(
      /^\s*[[{]/.test(text)
        ? 'Its answer breaks off or is not well formed.'
        : 'It answers with something that is not statements.',
    );
  }
  throw new PageError('It answers with something that is not statements.');
}

/**
 * Reads a page of a store's statements (xAPI 1.0.3, part 3, 2.1.3: a StatementResult). One statement that cannot be
 * read does not stop the others. @param zone IANA name of the school's zone @throws PageError
 */
export function readPage(text: string, zone: string): StorePage {
  const whole = parsed(text);
  const statements = whole['statements'] as unknown[];
  const read = readEachStatement(
    statements.map((value, index) => ({ value, line: index + 1 })),
    zone,
  );
  const stored = statements.map(storedOf);
  return {
    ...read,
    storedAt: read.actions.map(({ line }) => stored[line - 1] ?? null),
    lastStored: stored.reduce<number | null>(
      (last, at) => (at === null || (last !== null && last >= at) ? last : at),
      null,
    ),
    count: statements.length,
    more: typeof whole['more'] === 'string' ? whole['more'] : '',
  };
}
