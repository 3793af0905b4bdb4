import type { LetterReason } from './letterStates';

/** What a mail server, or the way to it, answered instead of taking a letter. */
export interface MailFailure {
  /** The client's name for it, as `EAUTH`. */
  code?: string | undefined;
  /** Of the SMTP answer, RFC 5321, 4.2. */
  responseCode?: number | undefined;
  /** The command that it answered, as `RCPT TO`. */
  command?: string | undefined;
  message: string;
}

/**
 * What becomes of a letter: it is refused for good; it is tried again later; or nothing goes out until the trouble with
 * the server, or with what is set up, is over.
 */
export interface Fate {
  kind: 'refused' | 'later' | 'trouble';
  reason: LetterReason;
}

const certificate = /certificate|altnames|self.signed|unable to verify|issuer/i;
const noServer = /ECONNREFUSED|ENOTFOUND|EAI_AGAIN|EHOSTUNREACH|ENETUNREACH/;
const enhanced = /\b[245]\.(\d{1,3})\.(\d{1,3})\b/;

/** Why an address, or a letter, is refused for good: by the enhanced code (RFC 3463) where there is one, else by the plain one. */
function refusalOf({ responseCode = 0, message }: MailFailure): LetterReason {
  const [, subject = '', detail = ''] = enhanced.exec(message) ?? [];
  const byDetail: Record<string, LetterReason> = {
    '2.2': 'mailboxFull',
    '2.3': 'tooLarge',
    '3.4': 'tooLarge',
    '2.1': 'noSuchAddress',
  };
  const found = byDetail[`${subject}.${detail}`];
  if (found) return found;
  if (subject === '1') return 'noSuchAddress';
  if (subject === '7') return 'unwanted';
  if (responseCode === 552) return 'mailboxFull';
  if (responseCode === 554) return 'unwanted';
  return [550, 551, 553].includes(responseCode) ? 'noSuchAddress' : 'refused';
}

function laterBecause({ responseCode = 0, message }: MailFailure): LetterReason {
  return responseCode === 452 || /\b4\.2\.2\b/.test(message) ? 'mailboxFull' : 'busy';
}

/** What the way to the server, not the letter, has. Null: nothing. */
function troubleOf({ code, responseCode = 0, command = '', message }: MailFailure): LetterReason | null {
  if (code === 'EAUTH' || code === 'ENOAUTH' || responseCode === 530)
    return responseCode >= 400 && responseCode < 500 ? 'busy' : 'wrongPassword';
  if (responseCode >= 500 && command.startsWith('MAIL')) return 'senderRefused';
  if (responseCode === 421 || (responseCode >= 400 && command === 'CONN')) return 'busy';
  if (responseCode !== 0) return null;
  if (certificate.test(message)) return 'certificate';
  if (code === 'ETLS' || code === 'EREQUIRETLS') return 'noEncryption';
  if (code === 'EDNS' || noServer.test(message)) return 'noServer';
  return code === 'ETIMEDOUT' && !command.startsWith('DATA') ? 'noAnswer' : null;
}

/**
 * What becomes of a letter that was not taken. Source: RFC 5321, 4.2.1 (a 4yz answer is worth another try, a 5yz one is
 * not) and 4.5.4.1; what is wrong with the connection, the account or the sender is not the letter's fault.
 */
export function fateOf(failure: MailFailure): Fate {
  const trouble = troubleOf(failure);
  if (trouble) return { kind: 'trouble', reason: trouble };
  const { responseCode = 0, code } = failure;
  if (responseCode >= 500) return { kind: 'refused', reason: refusalOf(failure) };
  if (responseCode >= 400) return { kind: 'later', reason: laterBecause(failure) };
  if (code === 'EENVELOPE') return { kind: 'refused', reason: 'noSuchAddress' };
  if (code === 'ECONNECTION' || code === 'ESOCKET') return { kind: 'later', reason: 'cut' };
  return { kind: 'later', reason: code === 'ETIMEDOUT' ? 'noAnswer' : 'other' };
}

const minuteMs = 60_000;
const longestPauseMs = 4 * 60 * minuteMs;
/** So long a letter is tried. */
export const triedForMs = 2 * 24 * 60 * minuteMs;

/** How long is waited after so many tries, in milliseconds: a minute, then twice as long each time, up to four hours. */
export const pauseAfterMs = (tries: number): number =>
  Math.min(minuteMs * 2 ** Math.min(Math.max(tries - 1, 0), 20), longestPauseMs);
