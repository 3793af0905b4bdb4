import { z } from 'zod';
import { recordFields } from '../records/schema';
import { Done, type Endpoint } from './endpoint';

export const AccountName = z.string().trim().min(1, 'What are you called?').max(120);
export const NewPassphrase = z
  .string()
  .min(10, 'A passphrase has at least 10 characters; a few words are best')
  .max(200, 'At most 200 characters');
/** What somebody is at a school. A keeper is one of its teachers too; a reader sees what is given to them. */
export const MemberRole = z.enum(['teacher', 'assistant', 'reader']);
/** Of an account that is there already: whatever it may have been allowed to be. */
const GivenName = z.string().trim().max(120);
const GivenPassphrase = z.string().max(200);

export const accountEndpoints = {
  session: {
    summary: 'Who is signed in, whether this is the demo, and the server’s clock.',
    answer: z.object({
      teacher: z
        .object({
          id: z.string(),
          name: z.string(),
          role: MemberRole,
          isKeeper: z.boolean(),
        })
        .nullable(),
      firstStart: z.boolean(),
      demo: z.boolean(),
      now: z.iso.datetime(),
    }),
  },
  firstStart: {
    summary: 'Makes the first teacher of a new installation and signs in; afterwards it is closed.',
    body: z.strictObject({
      name: AccountName,
      passphrase: NewPassphrase,
      school: recordFields.school.omit({ graceMinutes: true, periods: true }),
    }),
    answer: Done,
  },
  signIn: {
    summary: 'Signs a teacher in with name and passphrase.',
    body: z.strictObject({ name: GivenName, passphrase: GivenPassphrase }),
    answer: Done,
  },
  recover: {
    summary: 'Sets a new passphrase by the recovery code, which is used up, and ends every session.',
    body: z.strictObject({ name: GivenName, code: z.string().max(60), passphrase: NewPassphrase }),
    answer: Done,
  },
  demoSignIn: { summary: 'In the demo only: signs in as its teacher.', answer: Done },
  signOut: { summary: 'Ends the session.', answer: Done },
  sessions: {
    summary: 'Where the teacher is signed in, the one used last first, and whether there is a recovery code.',
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
  },
  endSession: {
    summary: 'Ends one of the teacher’s sessions, as that of a lost phone.',
    params: z.object({ sessionId: z.string().max(64) }),
    answer: Done,
  },
  endOtherSessions: { summary: 'Ends all of the teacher’s sessions but the one that asks.', answer: Done },
  changePassphrase: {
    summary: 'Changes the passphrase and ends all other sessions.',
    body: z.strictObject({ current: GivenPassphrase, passphrase: NewPassphrase }),
    answer: Done,
  },
  makeRecoveryCode: {
    summary: 'Makes a code that sets a new passphrase, told once; one made before is void.',
    body: z.strictObject({ current: GivenPassphrase }),
    answer: z.object({ code: z.string() }),
  },
} satisfies Record<string, Endpoint>;
