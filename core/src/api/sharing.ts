import { z } from 'zod';
import { Id } from '../records/schema';
import { optionalEmail } from '../records/values';
import { AccountName, MemberRole, NewPassphrase } from './accounts';
import { Day, Done, type Endpoint } from './endpoint';
import { Letter } from './letter';

/** What somebody is in a class: one of its teachers, an assistant, or a cover for some days. */
const ClassRole = z.enum(['teacher', 'assistant', 'cover']);

const Token = z.object({ token: z.string().max(100) });

export const sharingEndpoints = {
  colleagues: {
    summary:
      'Who belongs to the school, and who teaches, assists in or covers which class: one’s own, or, for the keeper, every one.',
    answer: z.object({
      schoolName: z.string(),
      members: z.array(
        z.object({ id: z.string(), name: z.string(), role: MemberRole, isKeeper: z.boolean() }),
      ),
      classes: z.array(z.object({ id: z.string(), name: z.string() })),
      teachings: z.array(
        z.object({
          id: z.string(),
          sectionId: z.string(),
          personId: z.string(),
          role: ClassRole,
          startsOn: z.string().nullable(),
          endsOn: z.string().nullable(),
        }),
      ),
      /** Those that nobody has used yet and that have not ended; only the keeper sees them. */
      invitations: z.array(
        z.object({
          id: z.string(),
          name: z.string(),
          role: MemberRole,
          sectionId: z.string().nullable(),
          /** The letter with its link; null where that was handed on otherwise. */
          letter: Letter.nullable(),
          expiresAt: z.iso.datetime(),
        }),
      ),
    }),
  },
  invite: {
    summary:
      'Makes a link by which somebody comes into the school, and into a class, and sends it to them where they have an address. Nobody else has it but the caller.',
    body: z
      .strictObject({
        name: AccountName,
        role: MemberRole,
        sectionId: Id.nullable(),
        /** Where the link is sent; empty where it is handed on otherwise. */
        email: optionalEmail.default(''),
      })
      .refine(({ role, sectionId }) => role !== 'reader' || sectionId === null, {
        path: ['sectionId'],
        message: 'A reader has no classes: what they read is given to them',
      }),
    answer: z.object({
      id: z.string(),
      token: z.string(),
      expiresAt: z.iso.datetime(),
      /** Whether its letter is on its way: it has an address, and a mail server is set up. */
      mailed: z.boolean(),
    }),
  },
  endInvitation: {
    summary: 'Ends an invitation, so that its link leads nowhere.',
    params: z.object({ invitationId: z.string().max(64) }),
    answer: Done,
  },
  invitation: {
    summary: 'What a link of an invitation leads to.',
    params: Token,
    answer: z.object({
      schoolName: z.string(),
      invitedBy: z.string(),
      name: z.string(),
      role: MemberRole,
      className: z.string().nullable(),
    }),
  },
  acceptInvitation: {
    summary: 'Makes the account of somebody who was invited, and signs in. The link is used up.',
    params: Token,
    body: z.strictObject({ name: AccountName, passphrase: NewPassphrase }),
    answer: Done,
  },
  share: {
    summary: 'Shares a class with a colleague, from now on or for some days.',
    params: z.object({ sectionId: Id }),
    body: z
      .strictObject({
        personId: Id,
        role: ClassRole,
        startsOn: Day.nullable(),
        endsOn: Day.nullable(),
      })
      .refine(({ role, startsOn, endsOn }) => role !== 'cover' || (startsOn !== null && endsOn !== null), {
        path: ['endsOn'],
        message: 'A cover has a first and a last day',
      })
      .refine(({ startsOn, endsOn }) => startsOn === null || endsOn === null || startsOn <= endsOn, {
        path: ['endsOn'],
        message: 'The last day is before the first',
      }),
    answer: z.object({ id: z.string() }),
  },
  endShare: {
    summary: 'Ends what somebody is in a class. Its last teacher cannot leave it.',
    params: z.object({ teachingId: z.string().max(64) }),
    answer: Done,
  },
  setMember: {
    summary: 'Sets what a colleague is at the school. Its last keeper stays one.',
    params: z.object({ personId: Id }),
    body: z.strictObject({ role: MemberRole, isKeeper: z.boolean() }),
    answer: Done,
  },
  endMembership: {
    summary:
      'A colleague leaves the school. Classes of which they are the last teacher go to somebody else; their own notes go with nobody.',
    params: z.object({ personId: Id }),
    body: z.strictObject({ handTo: Id.nullable() }),
    answer: Done,
  },
} satisfies Record<string, Endpoint>;
