import type { z } from 'zod';

/**
 * One kind of change: the shape of its payload, and the lesson, student or class whose history it
 * belongs to. What it does to the records stands in the feature's `edits.ts`, which the app loads
 * without any schema.
 */
export interface ChangeKind<P extends z.ZodType = z.ZodType> {
  payload: P;
  about(payload: z.output<P>): string | null;
}

/** Only for its types: the payload's shape flows to `about`. */
export function changeKind<P extends z.ZodType>(
  payload: P,
  about: (payload: z.output<P>) => string | null = () => null,
): ChangeKind<P> {
  return { payload, about };
}

/** The payload of a kind of change. */
export type PayloadOf<K> = K extends ChangeKind<infer P> ? z.output<P> : never;
