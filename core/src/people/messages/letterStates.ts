/**
 * How a letter to one address stands: it waits; the mail server took it; it was only kept, for there is no mail server;
 * it was refused; it was given up, after two days or by a restore; or it went out on another server, before it was brought here.
 */
export const letterStates = ['waiting', 'handed', 'kept', 'refused', 'given_up', 'elsewhere'] as const;
export type LetterState = (typeof letterStates)[number];

/** Why a letter was refused, or waits on. */
export const letterReasons = [
  'noSuchAddress',
  'mailboxFull',
  'unwanted',
  'tooLarge',
  'refused',
  'busy',
  'cut',
  'noAnswer',
  'noServer',
  'wrongPassword',
  'senderRefused',
  'certificate',
  'noEncryption',
  'noSecret',
  'restored',
  'other',
] as const;
export type LetterReason = (typeof letterReasons)[number];

export const reasonWords: Record<LetterReason, string> = {
  noSuchAddress: 'no such address',
  mailboxFull: 'their mailbox is full',
  unwanted: 'their mail server does not want it',
  tooLarge: 'it is too large',
  refused: 'the mail server does not take it',
  busy: 'the mail server is busy',
  cut: 'the connection broke off',
  noAnswer: 'the mail server does not answer',
  noServer: 'there is no mail server at that place',
  wrongPassword: 'the mail server does not accept the user or the password',
  senderRefused: 'the mail server does not accept the sender’s address',
  certificate: 'the mail server’s certificate is not to be trusted',
  noEncryption: 'the mail server offers no encryption',
  noSecret: 'the password has to be typed in again',
  restored: 'a backup was put back before it went',
  other: 'the mail server said something unknown',
};

/** How a letter to one address stands. */
export interface LetterToTell {
  state: LetterState;
  reason: LetterReason | null;
  /** ISO moments: of the last thing that happened to it, and of the next try. */
  changedAt: string;
  nextAt: string | null;
  mayBeTwice: boolean;
}

/**
 * How a letter stands, in words; never “sent” where nothing was.
 * @param when a moment as it follows what happened then, as `at 11:14`
 */
export function letterWords(
  { state, reason, changedAt, nextAt, mayBeTwice }: LetterToTell,
  when: (instant: string) => string,
): string {
  const why = reason === null ? '' : reasonWords[reason];
  switch (state) {
    case 'waiting':
      if (why === '' && nextAt !== null) return `waiting: it goes ${when(nextAt)}`;
      return why === '' ? 'waiting' : `waiting: ${why}${nextAt ? `; next try ${when(nextAt)}` : ''}`;
    case 'handed':
      return `handed to the mail server ${when(changedAt)}${mayBeTwice ? ', perhaps twice: this server was stopped meanwhile' : ''}`;
    case 'kept':
      return 'kept here, sent nowhere';
    case 'refused':
      return `refused: ${why}`;
    case 'given_up':
      return reason === 'restored' ? `held back: ${why}` : `given up after two days: ${why}`;
    case 'elsewhere':
      return 'written on another server';
  }
}
