import fc from 'fast-check';
import { TableError } from '../src/formats/table';
import { matchPeople } from '../src/attendance/participants/matchPeople';
import { meetingRoll } from '../src/attendance/participants/meetingRoll';
import { dateOrderOf, readDuration, readMoment } from '../src/attendance/participants/moment';
import { readParticipantFile } from '../src/attendance/participants/readParticipantFile';
import { peopleOf, readParticipants } from '../src/attendance/participants/readParticipants';
import { datesOf, participantsAtSchool } from '../src/attendance/participants/schoolTime';
import { heldOut, students, tuned, type MatchingCase } from './matchingCases';

const options = { looseEmail: true, remembered: new Map<string, string | null>() };
const read = async (text: string, date: string | null = null) =>
  readParticipants(await readParticipantFile(new TextEncoder().encode(text)), date);

/** What one entry by itself is taken for, in the words of the cases. */
async function taken({ entry }: MatchingCase): Promise<string> {
  const line = /^T\d+$/.test(entry) ? `ID,Email\n${entry},` : `Participant\n"${entry.replaceAll('"', '""')}"`;
  const people = await read(line).catch(() => null);
  if (!people) return '-';
  const { matched, unmatched } = matchPeople(peopleOf(people.participants), students, options);
  const [sure] = matched.keys();
  const [doubt] = unmatched;
  if (sure) return sure;
  return doubt && doubt.candidates.length > 0 ? `? ${doubt.candidates.toSorted().join(' ')}` : '-';
}

describe.each([
  ['looked at while tuning', tuned],
  ['held out', heldOut],
])('entries %s', (_name, cases) => {
  test('nobody is taken for another, and hardly anybody is asked about needlessly', async () => {
    const found = await Promise.all(cases.map(async (one) => ({ ...one, found: await taken(one) })));
    const isSure = (answer: string) => /^\w/.test(answer);
    const wrong = found.filter((one) => isSure(one.found) && one.found !== one.expected);
    const needless = found.filter((one) => isSure(one.expected) && !isSure(one.found));
    expect(wrong).toEqual([]);
    const sure = cases.filter(({ expected }) => isSure(expected)).length;
    expect(needless.length / sure).toBeLessThanOrEqual(0.05);
  });
});

test('of those that must be asked, the candidates are the ones it could be', async () => {
  const asked = tuned.filter(({ expected }) => expected.startsWith('?'));
  const found = await Promise.all(asked.map(taken));
  expect(found).toEqual(asked.map(({ expected }) => `? ${expected.slice(2).split(' ').sort().join(' ')}`));
});

test.each([
  ['10:42', null, '10:42:00'],
  ['10:42:12 AM', null, '10:42:12'],
  ['12:05 am', null, '00:05:00'],
  ['1 pm', null, '13:00:00'],
  ['2026-11-23T10:42:12', '2026-11-23', '10:42:12'],
  ['23/11/2026, 10:42', '2026-11-23', '10:42:00'],
  ['23.11.26 10.42', '2026-11-23', '10:42:00'],
  ['Nov 23, 2026 10:42 p.m.', '2026-11-23', '22:42:00'],
  ['23 November 2026 at 10:42', '2026-11-23', '10:42:00'],
  ['31/02/2026 10:42', undefined, undefined],
  ['25:10', undefined, undefined],
  ['Mei', undefined, undefined],
])('%s is the moment %s %s', (written, date, time) => {
  const moment = readMoment(written, 'day_first');
  const clock = moment ? new Date(moment.seconds * 1000).toISOString().slice(11, 19) : undefined;
  expect([moment?.date, clock]).toEqual([date, time]);
});

test.each([
  ['2026-11-23T09:42:00Z', 0],
  ['10:42 UTC+1', 60],
  ['10:42 GMT-05:30', -330],
  ['10:42', null],
])('%s is %s minutes east', (written, offset) => {
  expect(readMoment(written, 'day_first')?.offset).toBe(offset);
});

test('the order of dates is decided for a whole list, or said to be unsure', () => {
  expect(dateOrderOf(['3/4/2026 9:00', '14/4/2026 9:00'], null)).toEqual({ order: 'day_first', sure: true });
  expect(dateOrderOf(['3/4/2026', '3/14/2026'], null)).toEqual({ order: 'month_first', sure: true });
  expect(dateOrderOf(['3/4/2026'], '2026-03-04')).toEqual({ order: 'month_first', sure: true });
  expect(dateOrderOf(['3/4/2026'], null)).toEqual({ order: 'day_first', sure: false });
  expect(['45', '45m 12s', '1h 3m', '00:45:10'].map((text) => readDuration(text, 'minutes'))).toEqual([
    2700, 2712, 3780, 2710,
  ]);
});

describe('time in the meeting, 10:40 to 11:30, grace 5', () => {
  const lesson = { date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };
  const of = async (joins: string) => {
    const lines = joins.split(' + ').map((join) => `Mei Tanaka,${join.replace('-', ',')}`);
    const { participants } = await read(`Name,Joined,Left\n${lines.join('\n')}`);
    const { marks } = meetingRoll(participants, students.slice(0, 1), lesson, 5, options);
    const [mark] = marks;
    return [mark?.standing, mark?.arrivedAt?.slice(0, 5), mark?.leftAt?.slice(0, 5), mark?.minutes];
  };
  test.each([
    ['from before to after', '10:35-11:40', ['here', '10:40', '11:30', 50]],
    ['within the grace', '10:45-11:25', ['here', '10:45', '11:25', 40]],
    ['a second later', '10:45:01-11:30', ['late', '10:45', '11:30', 45]],
    ['gone early', '10:40-11:20', ['left_early', '10:40', '11:20', 40]],
    ['late and early is late', '10:50-11:10', ['late', '10:50', '11:10', 20]],
    ['stayed', '10:50-', ['late', '10:50', undefined, 40]],
    ['two joins with a gap', '10:40-10:50 + 11:00-11:30', ['here', '10:40', '11:30', 40]],
    ['two joins over each other', '10:40-11:00 + 10:50-11:30', ['here', '10:40', '11:30', 50]],
    ['only before', '10:00-10:30', ['away', undefined, undefined, 0]],
    ['only after', '11:35-11:50', ['away', undefined, undefined, 0]],
  ])('%s', async (_what, joins, expected) => {
    expect(await of(joins)).toEqual(expected);
  });
  test('a list on another clock is moved to the school’s', async () => {
    const reading = await read(
      'All times in UTC+05:30\nName,Joined,Left\nMei Tanaka,2026-11-23 16:20,2026-11-23 17:00',
    );
    const participants = participantsAtSchool(reading, 'Europe/Dublin', '2026-11-23');
    const { marks } = meetingRoll(participants, students.slice(0, 1), lesson, 5, options);
    expect([marks[0]?.standing, marks[0]?.arrivedAt]).toEqual(['late', '10:50:00']);
    expect(datesOf(participants)).toEqual(['2026-11-23']);
  });
});

test('what stands above, below and beside the people is left out with its line', async () => {
  const reading = await read(
    'Meeting summary\nTotal participants,3\n\nName,Role,Join time,Leave time\nMei Tanaka,Attendee,10:41,11:30\nJun,Attendee,10:41,11:30\nTotal: 2,,,\n',
  );
  expect(reading.participants.map(({ line, name }) => [line, name])).toEqual([
    [5, 'Mei Tanaka'],
    [6, 'Jun'],
  ]);
  expect(reading.leftOut.map(({ line }) => line)).toEqual([1, 2, 7]);
});

test('pasted lines in any shape', async () => {
  const reading = await read(
    '1. Mei Tanaka\n2. Jun 10:50 11:20\n- "Quispe, Dario" <dario.quispe@ternrock.example>\n',
  );
  expect(
    reading.participants.map(({ name, email, joined }) => [name, email, joined?.seconds ?? null]),
  ).toEqual([
    ['Mei Tanaka', '', null],
    ['Jun', '', 39_000],
    ['Quispe Dario', 'dario.quispe@ternrock.example', null],
  ]);
});

test('two who seem to be the same one: the surer is, the other is asked about; what was answered holds', async () => {
  const { participants } = await read('Participant\nDario\nDario Quispe\nRobin Fields');
  const first = matchPeople(peopleOf(participants), students, options);
  expect([...first.matched].map(([id, { lines }]) => [id, lines[0]?.name])).toEqual([['dq', 'Dario Quispe']]);
  expect(first.unmatched.map(({ lines, candidates }) => [lines[0]?.name, candidates])).toEqual([
    ['Dario', ['dq']],
    ['Robin Fields', []],
  ]);
  const remembered = new Map([
    ['dario', 'dq'],
    ['robin fields', null],
  ]);
  const again = matchPeople(peopleOf(participants), students, { ...options, remembered });
  expect(again.unmatched).toEqual([]);
  expect(again.matched.get('dq')?.lines).toHaveLength(2);
});

test('no list crashes the reading or the matching, and nobody is in it twice', async () => {
  const cell = fc.constantFrom(
    'Mei',
    'Tanaka',
    'a@b.co',
    '10:40',
    '3/4/2026 9:00',
    'Name',
    'Join time',
    'UTC+1',
    '"',
    '',
    '12',
  );
  const text = fc.oneof(
    fc.string(),
    fc
      .array(
        fc.array(cell, { maxLength: 5 }).map((cells) => cells.join(',')),
        { maxLength: 8 },
      )
      .map((lines) => lines.join('\n')),
  );
  let slowest = 0;
  await fc.assert(
    fc.asyncProperty(text, async (written) => {
      const begun = process.cpuUsage();
      const reading = await read(written).catch((error: unknown) => {
        expect(error).toBeInstanceOf(TableError);
        return null;
      });
      if (!reading) return;
      const { matched, unmatched } = matchPeople(peopleOf(reading.participants), students, options);
      const lines = [...matched.values(), ...unmatched].flatMap((found) => found.lines);
      expect(lines).toHaveLength(reading.participants.length);
      slowest = Math.max(slowest, process.cpuUsage(begun).user / 1000);
    }),
    { numRuns: 10_000 },
  );
  expect(slowest).toBeLessThan(1000);
}, 600_000);

test('a list of hundreds of columns of times is read by the first ones', async () => {
  const times = (from: string) => Array.from({ length: 300 }, () => from);
  const lines = ['Mei Tanaka', 'Bram de Wit'].map((name) => [name, '10:41', '11:28', ...times('00:40:00')]);
  const { participants } = await read(lines.map((cells) => cells.join(',')).join('\n'));
  expect(participants.map(({ joined, left }) => [joined?.seconds, left?.seconds])).toEqual(
    lines.map(() => [38_460, 41_280]),
  );
});
