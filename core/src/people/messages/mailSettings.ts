import { z } from 'zod';
import { Email, optionalEmail } from '../../records/values';
import { securities } from './securities';

/** How letters leave the server: over which mail server, as whom, and how fast. */
export const MailSettings = z.strictObject({
  host: z.string().trim().min(1, 'Which server?').max(253),
  port: z.int('A whole number').min(1, 'From 1 to 65535').max(65_535, 'From 1 to 65535'),
  security: z.enum(securities),
  /** Empty where the server asks for none. */
  user: z.string().trim().max(254),
  /** As whom letters go out; answers go to `replyTo`, where there is one. */
  sender: Email,
  replyTo: optionalEmail,
  perMinute: z.int('A whole number').min(1, 'At least 1').max(6000, 'At most 6,000'),
});
export type MailSettings = z.infer<typeof MailSettings>;

const here = /^(localhost|127(\.\d+){3}|::1)$/;

/** What is typed: the password is kept as it is where none is given. */
export const MailToSet = MailSettings.extend({ password: z.string().max(500).nullable() }).refine(
  ({ security, user, host }) => security !== 'none' || user === '' || here.test(host),
  { path: ['user'], message: 'Not over a way that is not encrypted: the password could be read there' },
);
