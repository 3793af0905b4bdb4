import fc from 'fast-check';
import { callList, type Candidate } from '../src/contact/callList';
import { phoneNumbers } from '../src/contact/phoneNumbers';
import { contactLine, heardAtHome } from '../src/contact/line';
import type { Message, Step } from '../src/records/schema';

const message = (id: string, day: string, own: Partial<Message> = {}): Message => ({
  ...{ id, removed: false, studentId: 'a', noticeId: id, occasion: '', reason: '', toWhom: 'guardians' },
  ...{ addresses: [], subject: `About ${id}`, body: '', writtenAt: `${day}T10:00:00.000Z` },
  ...{ notBefore: null, tone: 'neutral', showsAddresses: false },
  ...own,
});
const contact = { way: 'call', toWhom: 'guardians', withWhom: '', isReached: true, tone: 'worry' } as const;
const step = (id: string, day: string, own: Partial<Step> = {}): Step => ({
  ...{ id, removed: false, studentId: 'a', sectionId: null, concern: null, at: `${day}T12:00:00.000Z` },
  ...{ kind: 'Contact home', text: 'Said so', lookAgainOn: null, contact },
  ...own,
});

describe('one line of time', () => {
  const line = contactLine(
    [message('m1', '2026-11-02'), message('gone', '2026-11-20', { removed: true })],
    [
      step('s1', '2026-11-10', { contact: { ...contact, withWhom: 'Rosa Quispe' } }),
      step('s2', '2026-11-12', { contact: { ...contact, isReached: false } }),
      step('s3', '2026-11-13', { kind: 'New seat', contact: null }),
      step('s4', '2026-11-14', { contact: { ...contact, way: 'talk', toWhom: 'student' } }),
    ],
    'Europe/Dublin',
  );

  test('letters, calls and talks, the latest first; what is no contact or removed is not there', () => {
    expect(line.map(({ what }) => what)).toEqual([
      'Talk with the student',
      'Call tried, not reached: the guardians',
      'Call with Rosa Quispe',
      'Letter to the guardians',
    ]);
  });

  test('home has heard what reached it; a talk with the student and a call in vain are not that', () => {
    expect(heardAtHome(line)).toEqual({ lastOn: '2026-11-10', good: 0, worry: 1 });
    expect(heardAtHome([])).toEqual({ lastOn: null, good: 0, worry: 0 });
    const good = contactLine([message('nod', '2026-11-15', { tone: 'good' })], [], 'UTC');
    expect(heardAtHome([...good, ...line])).toEqual({ lastOn: '2026-11-15', good: 1, worry: 1 });
  });
});

test('the day of a contact is the school’s', () => {
  const [entry] = contactLine([message('late', '2026-11-15')], [], 'Pacific/Kiritimati');
  expect(entry?.on).toBe('2026-11-16');
});

test.each([
  ['01 555 501', ['01555501']],
  ['+353 (0)1 55-501', ['+353155501']],
  ['home 030/555 501 or 086 12 34', ['030555501', '0861234']],
  ['01 555 501 / 086 12 34', ['01555501', '0861234']],
  ['+49 170 1234, +49 30 5678', ['+491701234', '+49305678']],
  ['(01) 555 501 ext. 12', ['01555501']],
  ['tel: +1-202-555-0101', ['+12025550101']],
  ['', []],
  ['ask the office', []],
])('the numbers in %j', (text, dialled) => {
  expect(phoneNumbers(text).map((one) => one.dialled)).toEqual(dialled);
});

describe('whom to call', () => {
  const concern = (since: string, strength = 0.5) => ({ since, strength, sentence: 'Away more' });
  const candidate = (studentId: string, own: Partial<Candidate>): Candidate => ({
    ...{ studentId, concern: null, lastOn: '2026-11-20', good: 1, worry: 0, ...own },
  });
  const listed = callList(
    [
      candidate('told', { concern: concern('2026-11-10'), lastOn: '2026-11-12' }),
      candidate('untold', { concern: concern('2026-11-10'), lastOn: '2026-11-09' }),
      candidate('clearer', { concern: concern('2026-11-18', 0.9), lastOn: null }),
      candidate('never', { lastOn: null, good: 0 }),
      candidate('long', { lastOn: '2026-10-01' }),
      candidate('bad', { worry: 2, good: 0 }),
      candidate('worse', { worry: 3, good: 0, lastOn: '2026-09-01' }),
      candidate('fine', {}),
    ],
    '2026-10-28',
  );
  const ids = (people: Candidate[]) => people.map(({ studentId }) => studentId);

  test('first a concern that home has not heard of, then only worries, then long ago', () => {
    expect(ids(listed.toCall)).toEqual(['clearer', 'untold']);
    expect(ids(listed.onlyWorries)).toEqual(['worse', 'bad']);
    expect(ids(listed.longAgo)).toEqual(['never', 'long']);
  });

  test('one child stands once', () => {
    const day = fc.constantFrom(null, '2026-10-01', '2026-10-28', '2026-11-15');
    const people = fc.array(
      fc.record({
        ...{ lastOn: day, good: fc.nat(2), worry: fc.nat(2) },
        concern: fc.option(fc.constantFrom(concern('2026-10-15'), concern('2026-11-15'))),
      }),
    );
    fc.assert(
      fc.property(people, (drawn) => {
        const all = drawn.map((own, at) => candidate(String(at), own));
        const { toCall, longAgo, onlyWorries } = callList(all, '2026-10-28');
        const shown = ids([...toCall, ...longAgo, ...onlyWorries]);
        expect(new Set(shown).size).toBe(shown.length);
        for (const { studentId, lastOn } of all) if (lastOn === null) expect(shown).toContain(studentId);
      }),
    );
  });
});
