import type { Request, Response } from 'express';
import type { Teacher } from '../database/entities';
import { Problem } from '../http/problem';
import type { Services } from '../services';
import { markKnown } from './knownDevice';
import { startSession } from './sessions';

/** @throws Problem where there is none */
export function accountById({ database }: Services, teacherId: string): Teacher {
  const account = database.lookUp.get<Teacher>('SELECT * FROM "teacher" WHERE "id" = ?', teacherId);
  if (!account) throw new Problem(401, 'Not signed in', 'This account is no more.');
  return account;
}

/** Signs in, and lets the browser be known as one that did. */
export async function enter(
  services: Services,
  request: Request,
  response: Response,
  teacherId: string,
): Promise<void> {
  await startSession(services, request, response, teacherId);
  markKnown(request, response, accountById(services, teacherId));
}
