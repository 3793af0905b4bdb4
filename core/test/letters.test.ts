import fc from 'fast-check';
import { fateOf, pauseAfterMs } from '../src/people/messages/fate';
import { letterReasons, letterWords, reasonWords } from '../src/people/messages/letterStates';

const answer = (responseCode: number, message: string, command = 'RCPT TO', code = 'EENVELOPE') => ({
  ...{ responseCode, message, command, code },
});
const broken = (code: string, message: string, command = 'CONN') => ({ code, message, command });

test.each([
  [answer(550, '550 5.1.1 no such user'), 'refused', 'noSuchAddress'],
  [answer(550, '550 unknown'), 'refused', 'noSuchAddress'],
  [answer(550, '550 5.7.1 spam'), 'refused', 'unwanted'],
  [answer(550, '550 5.2.2 over quota'), 'refused', 'mailboxFull'],
  [answer(553, '553 bad name'), 'refused', 'noSuchAddress'],
  [answer(552, '552 too much'), 'refused', 'mailboxFull'],
  [answer(552, '552 5.3.4 too big', 'DATA', 'EMESSAGE'), 'refused', 'tooLarge'],
  [answer(554, '554 no', 'DATA', 'EMESSAGE'), 'refused', 'unwanted'],
  [answer(500, '500 what?'), 'refused', 'refused'],
  [answer(450, '450 4.7.1 greylisted'), 'later', 'busy'],
  [answer(452, '452 4.2.2 full'), 'later', 'mailboxFull'],
  [answer(421, '421 closing'), 'trouble', 'busy'],
  [answer(550, '550 not as you', 'MAIL FROM'), 'trouble', 'senderRefused'],
  [answer(535, '535 5.7.8 bad', 'AUTH PLAIN', 'EAUTH'), 'trouble', 'wrongPassword'],
  [answer(454, '454 4.7.0 later', 'AUTH PLAIN', 'EAUTH'), 'trouble', 'busy'],
  [answer(530, '530 authenticate first', 'MAIL FROM'), 'trouble', 'wrongPassword'],
  [broken('ESOCKET', 'self-signed certificate'), 'trouble', 'certificate'],
  [broken('ESOCKET', 'Hostname/IP does not match certificate’s altnames'), 'trouble', 'certificate'],
  [broken('ETLS', 'STARTTLS is not offered'), 'trouble', 'noEncryption'],
  [broken('EDNS', 'getaddrinfo ENOTFOUND mail.example'), 'trouble', 'noServer'],
  [broken('ESOCKET', 'connect ECONNREFUSED 127.0.0.1:1'), 'trouble', 'noServer'],
  [broken('ETIMEDOUT', 'Greeting never received'), 'trouble', 'noAnswer'],
  [broken('ETIMEDOUT', 'Timeout', 'DATA'), 'later', 'noAnswer'],
  [broken('ECONNECTION', 'Connection closed unexpectedly', 'DATA'), 'later', 'cut'],
  [broken('EENVELOPE', 'No recipients defined', 'API'), 'refused', 'noSuchAddress'],
  [{ message: 'something' }, 'later', 'other'],
])('%j is %s: %s', (failure, kind, reason) => {
  expect(fateOf(failure)).toEqual({ kind, reason });
});

test('a 5yz answer to an address or a letter is never tried again, a 4yz one always, by property', () => {
  fc.assert(
    fc.property(fc.integer({ min: 400, max: 599 }), fc.string(), (code, said) => {
      if (code === 421 || code === 530) return;
      const { kind } = fateOf(answer(code, `${code} ${said}`));
      expect(kind).toBe(code >= 500 ? 'refused' : 'later');
    }),
  );
});

test('pauses grow from a minute to four hours', () => {
  const minutes = [1, 2, 3, 4, 8, 9, 10, 50].map((tries) => pauseAfterMs(tries) / 60_000);
  expect(minutes).toEqual([1, 2, 4, 8, 128, 240, 240, 240]);
});

test('how a letter stands is never “sent”, and every reason has words', () => {
  const letter = { reason: null, changedAt: 'then', nextAt: null, mayBeTwice: false };
  const words = (own: object) => letterWords({ state: 'waiting', ...letter, ...own }, (at) => `at ${at}`);
  expect(words({})).toBe('waiting');
  expect(words({ reason: 'busy', nextAt: 'noon' })).toBe(
    'waiting: the mail server is busy; next try at noon',
  );
  expect(words({ state: 'handed' })).toBe('handed to the mail server at then');
  expect(words({ state: 'handed', mayBeTwice: true })).toContain('perhaps twice');
  expect(words({ state: 'given_up', reason: 'noAnswer' })).toBe(
    'given up after two days: the mail server does not answer',
  );
  expect(words({ state: 'given_up', reason: 'restored' })).toBe(
    'held back: a backup was put back before it went',
  );
  expect(words({ state: 'kept' })).toBe('kept here, sent nowhere');
  for (const reason of letterReasons) expect(reasonWords[reason]).not.toMatch(/sent|^$/);
});
