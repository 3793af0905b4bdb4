import type { Request, Response } from 'express';
import { methodAndPath } from '@slate-path/core/api/address';
import { contract, type AnswerOf, type Taken } from '@slate-path/core/api/contract';
import type { Endpoint } from '@slate-path/core/api/endpoint';
import type { OperationName } from '@slate-path/core/api/operations';
import type { TableName } from '@slate-path/core/records/schema';
import type { Services } from '../services';

/** Whoever asks: somebody who is signed in, or anybody. */
export interface Caller {
  teacherId: string | null;
}

/**
 * Who may call a route: anyone; whoever is signed in; the keeper of a school; or whoever may read, or write, the record
 * that a parameter names, who is told "not found" for any other.
 */
export type Allow = 'anyone' | 'member' | 'keeper' | RecordAllow;

export interface RecordAllow {
  table: TableName;
  param: string;
  does: 'reads' | 'writes' | 'keeps';
  /** As whose right it counts: what is answered may be judged of a class, which not all may read who may read of it. */
  as: TableName;
}

/** Whoever may read a record, or what is answered of it. */
export function readerOf(table: TableName, param: string, as: TableName = table): Allow {
  return { table, param, does: 'reads', as };
}

/** Whoever may write it. */
export function writerOf(table: TableName, param: string): Allow {
  return { table, param, does: 'writes', as: table };
}

/** The keeper of the school, where they may read it too. */
export function keeperOf(table: TableName, param: string): Allow {
  return { table, param, does: 'keeps', as: table };
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

interface Handling {
  allow: Allow;
  /**
   * The answer has an ETag: from the teacher's last change, or from the last one of some kinds and the day,
   * for what every device asks for again and again.
   */
  cached?: 'per-teacher' | { kinds: readonly string[] };
  /** The answer is a stream that the handler writes itself. */
  streams?: boolean;
}

/** An operation of the contract, who may call it, and how it is answered. */
export interface Route extends Endpoint, Handling {
  name: OperationName;
  method: 'get' | 'post';
  /** As OpenAPI writes it: `/api/days/{date}`. */
  path: string;
  handle(call: Call<unknown, unknown, unknown>): Promise<unknown>;
}

interface Handler<N extends OperationName> extends Handling {
  handle(call: Call<Taken<N, 'params'>, Taken<N, 'query'>, Taken<N, 'body'>>): Promise<AnswerOf<N>>;
}

/** Joins an operation of the contract with who may call it and how it is answered. */
export function route<N extends OperationName>(name: N, handler: Handler<N>): Route {
  const endpoint: Endpoint = contract[name];
  return { ...endpoint, ...(handler as unknown as Route), ...methodAndPath(name), name };
}
