import type { Request, Response } from 'express';
import { z } from 'zod';
import { recordFields } from '@slate-path/core/records/schema';
import type { Teacher } from '../database/entities';
import { Problem } from '../http/problem';
import { route } from '../http/route';
import type { Services } from '../services';
import { AccountExists, accountOf, createTeacher, hasTeacher, setPassphrase } from './accounts';
import { knownDevice, markKnown } from './knownDevice';
import { hashPassphrase, isPassphrase } from './passphrase';
import { isRecoveryCode, newRecoveryCode, recoveryHashOf } from './recovery';
import {
  callerOf,
  endOtherSessions,
  endSession,
  endSessionById,
  sessionOf,
  sessionsOf,
  startSession,
} from './sessions';
import { asTry, type Counted } from './tries';

const Name = z.string().trim().min(1, 'What are you called?').max(120);
const Passphrase = z
  .string()
  .min(10, 'A passphrase has at least 10 characters; a few words are best')
  .max(200, 'At most 200 characters');
/** One that is there already: whatever it may have been allowed to be. */
const GivenPassphrase = z.string().max(200);
const Done = z.object({ done: z.literal(true) });
const done = { done: true } as const;

/** Of an account that does not exist: it takes the same time to be refused, so that the time tells nobody who does. */
const nobodysHash = `${'00'.repeat(16)}:${'00'.repeat(32)}`;

function accountById({ database }: Services, teacherId: string): Teacher {
  const account = database.lookUp.get<Teacher>('SELECT * FROM "teacher" WHERE "id" = ?', teacherId);
  if (!account) throw new Problem(401, 'Not signed in', 'This account is no more.');
  return account;
}

/** What a stranger's try counts against. */
function countedFor(request: Request, name: string): Counted {
  const address = request.ip ?? '';
  return { accountHere: `${address} ${name}`, account: name, address };
}

/** Signs in, and lets the browser be known as one that did. */
async function enter(
  services: Services,
  request: Request,
  response: Response,
  teacherId: string,
): Promise<void> {
  await startSession(services, request, response, teacherId);
  markKnown(request, response, accountById(services, teacherId));
}

/** Whoever is signed in may be somebody who found the phone: what changes the account asks for the passphrase. */
async function confirm(services: Services, teacherId: string, passphrase: string): Promise<void> {
  const { passphraseHash } = accountById(services, teacherId);
  const right = await asTry({ device: teacherId }, () => isPassphrase(passphrase, passphraseHash, 'known'));
  if (!right)
    throw new Problem(403, 'Not this passphrase', 'This is not your passphrase. Nothing was changed.', [
      { field: 'current', message: 'This is not your passphrase' },
    ]);
}

const entering = [
  route({
    method: 'get',
    path: '/api/session',
    summary: 'Who is signed in, whether this is the demo, and the server’s clock.',
    allow: 'anyone',
    answer: z.object({
      teacher: z.object({ id: z.string(), name: z.string() }).nullable(),
      firstStart: z.boolean(),
      demo: z.boolean(),
      now: z.iso.datetime(),
    }),
    handle({ services, request }) {
      const teacherId = callerOf(services, request);
      return Promise.resolve({
        teacher: teacherId ? { id: teacherId, name: accountById(services, teacherId).name } : null,
        firstStart: !hasTeacher(services.database.lookUp),
        demo: services.demoTeacherId !== null,
        now: new Date(services.clock()).toISOString(),
      });
    },
  }),
  route({
    method: 'post',
    path: '/api/first-start',
    summary: 'Makes the first teacher of a new installation and signs in; afterwards it is closed.',
    allow: 'anyone',
    body: z.strictObject({
      name: Name,
      passphrase: Passphrase,
      school: recordFields.school.omit({ graceMinutes: true }),
    }),
    answer: Done,
    async handle({ body, services, request, response }) {
      const closed = new Problem(409, 'Already set up', 'There is a teacher here already. Sign in instead.');
      if (hasTeacher(services.database.lookUp)) throw closed;
      const school = { ...body.school, graceMinutes: 5 };
      try {
        const teacherId = await createTeacher(services, { ...body, school }, { onlyFirst: true });
        await enter(services, request, response, teacherId);
      } catch (error) {
        throw error instanceof AccountExists ? closed : error;
      }
      return done;
    },
  }),
  route({
    method: 'post',
    path: '/api/sign-in',
    summary: 'Signs a teacher in with name and passphrase.',
    allow: 'anyone',
    body: z.strictObject({ name: z.string().trim().max(120), passphrase: GivenPassphrase }),
    answer: Done,
    async handle({ body: { name, passphrase }, services, request, response }) {
      const account = accountOf(services.database.lookUp, name) ?? null;
      const device = knownDevice(request, account);
      const counted = device ? { device } : countedFor(request, name);
      const hash = account?.passphraseHash ?? nobodysHash;
      const right = await asTry(counted, () => isPassphrase(passphrase, hash, device ? 'known' : 'others'));
      if (!account || !right)
        throw new Problem(401, 'Not signed in', 'Name and passphrase do not belong together. Try again.');
      await enter(services, request, response, account.id);
      return done;
    },
  }),
  route({
    method: 'post',
    path: '/api/recover',
    summary: 'Sets a new passphrase by the recovery code, which is used up, and ends every session.',
    allow: 'anyone',
    body: z.strictObject({
      name: z.string().trim().max(120),
      code: z.string().max(60),
      passphrase: Passphrase,
    }),
    answer: Done,
    async handle({ body: { name, code, passphrase }, services, request, response }) {
      const account = accountOf(services.database.lookUp, name);
      const counted = countedFor(request, `recovering ${name}`);
      const isRight = () =>
        Promise.resolve(Boolean(account?.recoveryHash && isRecoveryCode(code, account.recoveryHash)));
      if (!(await asTry(counted, isRight)) || !account)
        throw new Problem(
          401,
          'Not this code',
          'Name and code do not belong together, or the code was used already. Nothing was changed.',
        );
      const hash = await hashPassphrase(passphrase);
      const { recoveryHash, id } = account;
      const used = await services.database.write((sql) => {
        // Two at once: the code is good for one of them.
        if (accountOf(sql, name)?.recoveryHash !== recoveryHash) return false;
        setPassphrase(sql, id, hash);
        sql.run('UPDATE "teacher" SET "recoveryHash" = NULL WHERE "id" = ?', id);
        endOtherSessions(sql, id, null);
        return true;
      });
      if (!used) throw new Problem(409, 'Used already', 'This code was used just now. Nothing was changed.');
      await enter(services, request, response, id);
      return done;
    },
  }),
  route({
    method: 'post',
    path: '/api/demo-sign-in',
    summary: 'In the demo only: signs in as its teacher.',
    allow: 'anyone',
    answer: Done,
    async handle({ services, request, response }) {
      if (!services.demoTeacherId) throw new Problem(404, 'Not found', 'This is not the demo.');
      await startSession(services, request, response, services.demoTeacherId);
      return done;
    },
  }),
  route({
    method: 'post',
    path: '/api/sign-out',
    summary: 'Ends the session.',
    allow: 'anyone',
    answer: Done,
    async handle({ services, request, response }) {
      await endSession(services, request, response);
      return done;
    },
  }),
];

const keeping = [
  route({
    method: 'get',
    path: '/api/sessions',
    summary: 'Where the teacher is signed in, the one used last first, and whether there is a recovery code.',
    allow: 'teacher',
    answer: z.object({
      hasRecoveryCode: z.boolean(),
      sessions: z.array(
        z.object({
          id: z.string(),
          /** As in `Chrome on Android`; empty where the browser does not say. */
          device: z.string(),
          createdAt: z.iso.datetime(),
          usedAt: z.iso.datetime(),
          isThis: z.boolean(),
        }),
      ),
    }),
    handle({ teacherId, services, request }) {
      const own = sessionOf(services, request)?.id;
      return Promise.resolve({
        hasRecoveryCode: accountById(services, teacherId).recoveryHash !== null,
        sessions: sessionsOf(services, teacherId).map(({ id, device, createdAt, usedAt }) => ({
          id,
          device,
          createdAt,
          usedAt,
          isThis: id === own,
        })),
      });
    },
  }),
  route({
    method: 'post',
    path: '/api/sessions/{sessionId}/end',
    summary: 'Ends one of the teacher’s sessions, as that of a lost phone.',
    allow: 'teacher',
    params: z.object({ sessionId: z.string().max(64) }),
    answer: Done,
    async handle({ params: { sessionId }, teacherId, services }) {
      if (!(await services.database.write((sql) => endSessionById(sql, teacherId, sessionId))))
        throw new Problem(404, 'Not found', 'That device is signed out already.');
      return done;
    },
  }),
  route({
    method: 'post',
    path: '/api/sessions/end-others',
    summary: 'Ends all of the teacher’s sessions but the one that asks.',
    allow: 'teacher',
    answer: Done,
    async handle({ teacherId, services, request }) {
      const own = sessionOf(services, request)?.id ?? null;
      await services.database.write((sql) => {
        endOtherSessions(sql, teacherId, own);
      });
      return done;
    },
  }),
  route({
    method: 'post',
    path: '/api/passphrase',
    summary: 'Changes the passphrase and ends all other sessions.',
    allow: 'teacher',
    body: z.strictObject({ current: GivenPassphrase, passphrase: Passphrase }),
    answer: Done,
    async handle({ body: { current, passphrase }, teacherId, services, request, response }) {
      await confirm(services, teacherId, current);
      const hash = await hashPassphrase(passphrase, 'known');
      const own = sessionOf(services, request)?.id ?? null;
      await services.database.write((sql) => {
        setPassphrase(sql, teacherId, hash);
        endOtherSessions(sql, teacherId, own);
      });
      markKnown(request, response, accountById(services, teacherId));
      return done;
    },
  }),
  route({
    method: 'post',
    path: '/api/recovery-code',
    summary: 'Makes a code that sets a new passphrase, told once; one made before is void.',
    allow: 'teacher',
    body: z.strictObject({ current: GivenPassphrase }),
    answer: z.object({ code: z.string() }),
    async handle({ body: { current }, teacherId, services }) {
      await confirm(services, teacherId, current);
      const code = newRecoveryCode();
      await services.database.write((sql) => {
        sql.run('UPDATE "teacher" SET "recoveryHash" = ? WHERE "id" = ?', recoveryHashOf(code), teacherId);
      });
      return { code };
    },
  }),
];

export const accountRoutes = [...entering, ...keeping];
