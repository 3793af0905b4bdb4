import type { Request, Response } from 'express';
import type { z } from 'zod';
import type { TableName } from '@slate-path/core/records/schema';
import type { Services } from '../services';

/** Whoever asks: a signed-in teacher, or somebody. */
export interface Caller {
  teacherId: string | null;
}

/**
 * Who may call a route: anyone; any signed-in teacher; or the teacher whose record a parameter
 * names, who is told "not found" for anybody else's.
 */
export type Allow = 'anyone' | 'teacher' | { ownerOf: TableName; param: string };

export function ownerOf(table: TableName, param: string): Allow {
  return { ownerOf: table, param };
}

export interface Call<P, Q, B> {
  params: P;
  query: Q;
  body: B;
  /** Empty where anyone may call. */
  teacherId: string;
  services: Services;
  request: Request;
  response: Response;
}

/** A route: what it takes, who may, what it answers, and how. Its documentation is made from it. */
export interface Route<
  P extends z.ZodType = z.ZodType,
  Q extends z.ZodType = z.ZodType,
  B extends z.ZodType = z.ZodType,
  A extends z.ZodType = z.ZodType,
> {
  method: 'get' | 'post';
  /** As OpenAPI writes it: `/api/days/{date}`. */
  path: string;
  summary: string;
  allow: Allow;
  params?: P;
  query?: Q;
  body?: B;
  /** The body is a file, taken as bytes up to this size. */
  fileUpTo?: number;
  answer: A;
  /** Other than JSON: the answer is text of this type. */
  answersWith?: string;
  /**
   * The answer has an ETag: from the teacher's last change, or from the last one of some kinds and the day,
   * for what every device asks for again and again.
   */
  cached?: 'per-teacher' | { kinds: readonly string[] };
  /** The answer is a stream that the handler writes itself. */
  streams?: boolean;
  handle(call: Call<z.output<P>, z.output<Q>, z.output<B>>): Promise<z.input<A>>;
}

/** Only for its types. */
export function route<P extends z.ZodType, Q extends z.ZodType, B extends z.ZodType, A extends z.ZodType>(
  definition: Route<P, Q, B, A>,
): Route {
  return definition;
}
