import type { Request } from 'express';
import { Problem } from '../http/problem';
import { route } from '../http/route';
import type { Services } from '../services';
import { AccountExists, accountOf, createTeacher, hasTeacher, setPassphrase } from './accounts';
import { memberOf } from '../scopes/access';
import { knownDevice, markKnown } from './knownDevice';
import { accountById, enter } from './enter';
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

const done = { done: true } as const;

/** Of an account that does not exist: it takes the same time to be refused, so that the time tells nobody who does. */
const nobodysHash = `${'00'.repeat(16)}:${'00'.repeat(32)}`;

/** What a stranger's try counts against. */
function countedFor(request: Request, name: string): Counted {
  const address = request.ip ?? '';
  return { accountHere: `${address} ${name}`, account: name, address };
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

/** Who is signed in; null for whoever has left the school meanwhile. */
function signedIn(services: Services, teacherId: string) {
  const member = memberOf(services.database.lookUp, teacherId);
  if (!member || member.until !== null) return null;
  const { role, isKeeper } = member;
  return { id: teacherId, name: accountById(services, teacherId).name, role, isKeeper };
}

const entering = [
  route('session', {
    allow: 'anyone',
    handle({ services, request }) {
      const teacherId = callerOf(services, request);
      return Promise.resolve({
        teacher: teacherId ? signedIn(services, teacherId) : null,
        firstStart: !hasTeacher(services.database.lookUp),
        demo: services.demoTeacherId !== null,
        now: new Date(services.clock()).toISOString(),
      });
    },
  }),
  route('firstStart', {
    allow: 'anyone',
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
  route('signIn', {
    allow: 'anyone',
    async handle({ body: { name, passphrase }, services, request, response }) {
      const account = accountOf(services.database.lookUp, name) ?? null;
      const device = knownDevice(request, account);
      const counted = device ? { device } : countedFor(request, name);
      const hash = account?.passphraseHash ?? nobodysHash;
      const right = await asTry(counted, () => isPassphrase(passphrase, hash, device ? 'known' : 'others'));
      if (!account || !right)
        throw new Problem(401, 'Not signed in', 'Name and passphrase do not belong together. Try again.');
      if (!signedIn(services, account.id))
        throw new Problem(
          403,
          'Left the school',
          'This account belongs to no school here any more. Ask the keeper of the school for an invitation.',
        );
      await enter(services, request, response, account.id);
      return done;
    },
  }),
  route('recover', {
    allow: 'anyone',
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
  route('demoSignIn', {
    allow: 'anyone',
    async handle({ services, request, response }) {
      if (!services.demoTeacherId) throw new Problem(404, 'Not found', 'This is not the demo.');
      await startSession(services, request, response, services.demoTeacherId);
      return done;
    },
  }),
  route('signOut', {
    allow: 'anyone',
    async handle({ services, request, response }) {
      await endSession(services, request, response);
      return done;
    },
  }),
];

const keeping = [
  route('sessions', {
    allow: 'member',
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
  route('endSession', {
    allow: 'member',
    async handle({ params: { sessionId }, teacherId, services }) {
      if (!(await services.database.write((sql) => endSessionById(sql, teacherId, sessionId))))
        throw new Problem(404, 'Not found', 'That device is signed out already.');
      services.events.tell(teacherId, '');
      return done;
    },
  }),
  route('endOtherSessions', {
    allow: 'member',
    async handle({ teacherId, services, request }) {
      const own = sessionOf(services, request)?.id ?? null;
      await services.database.write((sql) => {
        endOtherSessions(sql, teacherId, own);
      });
      // Whoever is signed out hears of it by asking.
      services.events.tell(teacherId, '');
      return done;
    },
  }),
  route('changePassphrase', {
    allow: 'member',
    async handle({ body: { current, passphrase }, teacherId, services, request, response }) {
      await confirm(services, teacherId, current);
      const hash = await hashPassphrase(passphrase, 'known');
      const own = sessionOf(services, request)?.id ?? null;
      await services.database.write((sql) => {
        setPassphrase(sql, teacherId, hash);
        endOtherSessions(sql, teacherId, own);
      });
      services.events.tell(teacherId, '');
      markKnown(request, response, accountById(services, teacherId));
      return done;
    },
  }),
  route('makeRecoveryCode', {
    allow: 'member',
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
