import { createTeacher } from '../src/accounts/accounts';
import { openDatabase } from '../src/database/open';
import { callerOf, type Caller, type TestServer } from './server';

const cookieOf = (answer: Response) =>
  answer.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');

/** Somebody who comes into the keeper's school by an invitation. */
export async function invited(
  server: TestServer,
  keeper: Caller,
  invitation: { name: string; role: string; sectionId: string | null },
): Promise<Caller> {
  const made = await keeper.call('POST', '/api/invitations', invitation);
  const { token } = (await made.json()) as { token: string };
  const account = { name: invitation.name, passphrase: 'seven grey herons' };
  const answer = await callerOf(server.address).call('POST', `/api/invitations/${token}/accept`, account);
  if (!answer.ok) throw new Error(await answer.text());
  return callerOf(server.address, cookieOf(answer));
}

/** The keeper of another school on the same server. @param now ISO moment of its making */
export async function keeperElsewhere(server: TestServer, now: string): Promise<Caller> {
  const database = await openDatabase(server.folder);
  const school = { name: 'Far School', zone: 'UTC', graceMinutes: 5 };
  const far = { name: 'Fay Winter', passphrase: 'nine blue kettles' };
  await createTeacher({ database, clock: () => Date.parse(now) }, { ...far, school });
  await database.close();
  return callerOf(server.address, cookieOf(await callerOf(server.address).call('POST', '/api/sign-in', far)));
}
