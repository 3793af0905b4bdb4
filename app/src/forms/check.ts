import type * as schemas from './schemas';

type Schemas = typeof schemas;
type Checked<N extends keyof Schemas> = ReturnType<Schemas[N]['parse']>;

/** What a form holds: good, or with a sentence for each field that is not. */
export type Check<T> = { data: T; errors: null } | { data: null; errors: Record<string, string> };

/**
 * Checks what was typed by the schema that the server uses too. The schemas are loaded at the first
 * use: the roll does without them.
 */
export async function check<N extends keyof Schemas>(name: N, typed: unknown): Promise<Check<Checked<N>>> {
  const loaded = await import('./schemas');
  const read = loaded[name].safeParse(typed);
  if (read.success) return { data: read.data as Checked<N>, errors: null };
  const errors: Record<string, string> = {};
  for (const issue of read.error.issues) errors[String(issue.path[0])] ??= issue.message;
  return { data: null, errors };
}
