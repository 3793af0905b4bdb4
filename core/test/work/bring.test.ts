import { strToU8, zipSync } from 'fflate';
import { readWorkFile } from '../../src/work/bring/readWorkFile';
import { durationSeconds } from '../../src/work/bring/readStatements';
import type { WorkReading } from '../../src/work/bring/reading';

const zone = 'Europe/Dublin';
const read = (text: string, order?: 'day_first' | 'month_first') =>
  readWorkFile(new TextEncoder().encode(text), { zone, order });
const handIns = ({ handIns: list, people, pieces }: WorkReading) =>
  list.map(({ person, piece, status, handedInAt, score }) =>
    [people[person]?.written, pieces[piece]?.title, status, handedInAt, score]
      .map((one) => one ?? '')
      .join(' | '),
  );

test('activity: who, when, what and where, in the words of several languages', async () => {
  const english = await read(
    'User,Timestamp,Event name,Component,Page,Duration\nJun Sato,2026-11-23T10:05:00Z,opened,Log book,Week 3,45\nida@tern.example,23 Nov 2026 18:30,posted,Forum,,1m 10s\n',
  );
  expect(english.shape).toBe('activity');
  expect(english.actions).toEqual([
    {
      person: 0,
      at: '2026-11-23T10:05:00',
      kind: 'opened',
      place: 'Log book',
      object: 'Week 3',
      seconds: 45,
      ref: null,
      line: 2,
    },
    {
      person: 1,
      at: '2026-11-23T18:30:00',
      kind: 'posted',
      place: 'Forum',
      object: '',
      seconds: 70,
      ref: null,
      line: 3,
    },
  ]);
  const german = await read(
    'Vorname;Nachname;Datum;Uhrzeit;Aktion;Kurs\nJun;Sato;23.11.2026;10:05;geöffnet;Logbuch\n',
  );
  expect(german.actions[0]).toMatchObject({ at: '2026-11-23T10:05:00', kind: 'geöffnet', place: 'Logbuch' });
  expect(german.people[0]?.name).toBe('Jun Sato');
  const spanish = await read('Alumno\tFecha y hora\tAcción\nJun Sato\t23/11/2026 10:05\tentregado\n');
  expect(spanish.actions[0]).toMatchObject({ at: '2026-11-23T10:05:00', kind: 'entregado' });
});

test('a grade book: points possible, averages, words in cells, percents', async () => {
  const book = await read(
    [
      'Student,ID,Log 1,Log 2 (10),Essay / 50,Final score',
      'Points possible,,20,,,',
      'Due date,,2026-11-06,2026-11-13 08:30,,',
      'Sato Jun,117,15,late,40,88',
      'Ida Moran,118,missing,excused,80%,70',
      'Odd Berg,119,,B+,60,90',
      'Class average,,15,,45,80',
    ].join('\n'),
  );
  expect(book.shape).toBe('grade_book');
  expect(book.pieces).toEqual([
    { title: 'Log 1', assignedAt: null, dueAt: '2026-11-06T23:59:00', points: 20 },
    { title: 'Log 2', assignedAt: null, dueAt: '2026-11-13T08:30:00', points: 10 },
    { title: 'Essay', assignedAt: null, dueAt: null, points: 50 },
  ]);
  expect(handIns(book)).toEqual([
    'Sato Jun | Log 1 | handed_in |  | 15',
    'Sato Jun | Log 2 | handed_in | 2026-11-13T08:31:00 | ',
    'Sato Jun | Essay | handed_in |  | 40',
    'Ida Moran | Log 1 | missing |  | ',
    'Ida Moran | Log 2 | excused |  | ',
    'Ida Moran | Essay | handed_in |  | 40',
    'Odd Berg | Log 2 | handed_in |  | ',
    'Odd Berg | Essay | handed_in |  | 60',
  ]);
  expect(book.told.map(({ line, reason }) => `${line}: ${reason}`)).toEqual([
    '6: Log 2: scores in letters or words, as “B+”, are kept as written and count in no average',
    '6: Essay: 60 is more than the 50 points; kept all the same',
  ]);
  expect(book.handIns.flatMap(({ written }) => written ?? [])).toEqual(['B+']);
  expect(book.leftOut).toEqual([{ line: 7, reason: 'it is about the class' }]);
});

test('a French grade book: a title above it, halves of names, rows of points and of days, words in cells', async () => {
  const book = await read(
    [
      'Notes du trimestre;;;;;',
      ';;;;;',
      'Nom;Prénom;Journal 1;Devoir (40);Exposé;Moyenne',
      'Barème;;20;40;10;',
      'Date limite;;06/11/2026 08:30;13/11/2026 08:30;27/11/2026;',
      'Quispe;Dario;15,5;en retard;;15',
      'Tanaka;Mei;non rendu;33;dispensé;17',
      'Moyenne;;16;33;;15',
    ].join('\n'),
  );
  expect(book.pieces.map(({ title, dueAt, points }) => [title, dueAt, points])).toEqual([
    ['Journal 1', '2026-11-06T08:30:00', 20],
    ['Devoir', '2026-11-13T08:30:00', 40],
    ['Exposé', '2026-11-27T23:59:00', 10],
  ]);
  expect(handIns(book)).toEqual([
    'Dario Quispe | Journal 1 | handed_in |  | 15.5',
    'Dario Quispe | Devoir | handed_in | 2026-11-13T08:31:00 | ',
    'Mei Tanaka | Journal 1 | missing |  | ',
    'Mei Tanaka | Devoir | handed_in |  | 33',
    'Mei Tanaka | Exposé | excused |  | ',
  ]);
});

test('hand-ins one a row, with what cannot be true told and the rest kept', async () => {
  const list = await read(
    [
      'Aufgabe;Schüler;Fällig am;Abgegeben am;Zurückgegeben am;Punkte;Maximalpunkte;Status',
      'Log 1;Jun Sato;06.11.2026 08:30;06.11.2026 08:31;05.11.2026 10:00;15;20;',
      'Log 1;Ida Moran;06.11.2026 08:30;;;;20;fehlt',
      'Log 1;Odd Berg;06.11.2026 08:30;31.02.2026 09:00;;12,5;20;',
      'Log 1;;06.11.2026 08:30;;;;20;',
    ].join('\n'),
  );
  expect(list.shape).toBe('hand_ins');
  expect(list.pieces).toEqual([
    { title: 'Log 1', assignedAt: null, dueAt: '2026-11-06T08:30:00', points: 20 },
  ]);
  expect(handIns(list)).toEqual([
    'Jun Sato | Log 1 | handed_in | 2026-11-06T08:31:00 | 15',
    'Ida Moran | Log 1 | missing |  | ',
    'Odd Berg | Log 1 | handed_in |  | 12.5',
  ]);
  expect(list.told.map(({ line }) => line)).toEqual([2, 4]);
  expect(list.leftOut).toEqual([{ line: 5, reason: 'nobody is named' }]);
});

test('times that are none are left out by their line; of the doubled hour the first counts', async () => {
  const log = await read(
    [
      'Name,Time,Action',
      'Jun Sato,2026-11-23 24:00,opened',
      'Jun Sato,2026-02-30 10:00,opened',
      'Jun Sato,2026-03-29 01:30,opened',
      'Jun Sato,2026-03-29T00:30:00Z,opened',
      'Jun Sato,2026-10-25 01:30,opened',
      'Jun Sato,,opened',
    ].join('\n'),
  );
  expect(log.leftOut.map(({ line }) => line)).toEqual([2, 3, 4, 7]);
  expect(log.leftOut[2]?.reason).toContain('skipped in spring');
  expect(log.actions.map(({ at }) => at)).toEqual(['2026-03-29T00:30:00', '2026-10-25T01:30:00']);
});

test('day and month that could be either are asked for once', async () => {
  const text = 'Name,When,Action\nJun Sato,3/4/2026 10:00,opened\nJun Sato,5/6/2026 10:00,opened\n';
  expect(await read(text)).toMatchObject({ orderUnsure: true });
  const answered = await read(text, 'month_first');
  expect(answered.orderUnsure).toBe(false);
  expect(answered.actions.map(({ at }) => at.slice(0, 10))).toEqual(['2026-03-04', '2026-05-06']);
});

const statement = (more: object) => ({
  actor: { mbox: 'mailto:Jun@tern.example', name: 'Jun Sato' },
  verb: { id: 'http://adlnet.gov/expapi/verbs/answered' },
  object: {
    id: 'https://tern.example/tasks/log-3',
    definition: { name: { 'de-DE': 'Logbuch 3', 'en-IE': 'Log 3' } },
  },
  timestamp: '2026-07-01T23:30:00+02:00',
  ...more,
});

test('statements: on the school’s clock, with verbs, durations, accounts, and voided ones left out', async () => {
  const found = await read(
    JSON.stringify([
      statement({ id: 'a', result: { duration: 'PT1H2M3.5S' }, context: { platform: 'Quay' } }),
      statement({ id: 'b', actor: { account: { homePage: 'https://tern.example', name: '117' } } }),
      statement({ id: 'c', verb: { id: 'https://tern.example/verbs/moored', display: { en: 'moored' } } }),
      {
        ...statement({ id: 'd' }),
        verb: { id: 'http://adlnet.gov/expapi/verbs/voided' },
        object: { objectType: 'StatementRef', id: 'c' },
      },
      { actor: 7 },
    ]),
  );
  expect(found.actions).toEqual([
    {
      person: 0,
      at: '2026-07-01T22:30:00',
      kind: 'answered',
      place: 'Quay',
      object: 'Log 3',
      seconds: 3723.5,
      ref: 'a',
      line: 1,
    },
    {
      person: 1,
      at: '2026-07-01T22:30:00',
      kind: 'answered',
      place: '',
      object: 'Log 3',
      seconds: null,
      ref: 'b',
      line: 2,
    },
  ]);
  expect(found.people.map(({ email, schoolId }) => email || schoolId)).toEqual(['jun@tern.example', '117']);
  expect(found.leftOut).toEqual([{ line: 5, reason: 'this is no statement that can be read' }]);
  const lines = await read(
    [statement({ id: 'a' }), '{"half', statement({ id: 'b' })]
      .map((one) => (typeof one === 'string' ? one : JSON.stringify(one)))
      .join('\n'),
  );
  expect([lines.actions.length, lines.leftOut.map(({ line }) => line)]).toEqual([2, [2]]);
});

test('the gradebook of a OneRoster zip, with names from its users where they are there', async () => {
  const zip = (files: Record<string, string>) =>
    readWorkFile(
      zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)]))),
      { zone },
    );
  const files = {
    'lineItems.csv':
      'sourcedId,status,title,assignDate,dueDate,classSourcedId,resultValueMin,resultValueMax\nl1,active,Log 1,2026-11-01,2026-11-06,c,0,20\nl2,tobedeleted,Gone,,,c,0,10\nl3,active,Log 3,,2026-11-13T08:30:00Z,c,0,10\n',
    'results.csv':
      'sourcedId,status,lineItemSourcedId,studentSourcedId,scoreStatus,score,scoreDate,late\nr1,active,l1,u1,fully graded,15,2026-11-09,\nr2,active,l1,u2,not submitted,,,\nr3,active,l3,u1,exempt,,,\nr4,active,l3,u2,submitted,,,true\nr5,active,l9,u2,submitted,,,\n',
    'users.csv':
      'sourcedId,status,givenName,familyName,email,role\nu1,active,Jun,Sato,jun@tern.example,student\n',
  };
  const book = await zip(files);
  expect(book.pieces).toEqual([
    { title: 'Log 1', assignedAt: '2026-11-01T00:00:00', dueAt: '2026-11-06T23:59:00', points: 20 },
    { title: 'Log 3', assignedAt: null, dueAt: '2026-11-13T08:30:00', points: 10 },
  ]);
  expect(handIns(book)).toEqual([
    'Jun Sato | Log 1 | handed_in |  | 15',
    'u2 | Log 1 | missing |  | ',
    'Jun Sato | Log 3 | excused |  | ',
    'u2 | Log 3 | handed_in | 2026-11-13T08:31:00 | ',
  ]);
  expect(book.handIns[0]?.handedBackAt).toBe('2026-11-09T23:59:00');
  expect(book.leftOut.map(({ line }) => line)).toEqual([6]);
});

test.each([
  ['PT45S', 45],
  ['P1DT1H', 90_000],
  ['P2W', 1_209_600],
  ['P', null],
  ['PT', null],
  ['45', null],
])('a duration %s', (written, seconds) => {
  expect(durationSeconds(written)).toBe(seconds);
});

test.each(['Monday\nTuesday\n', 'Name,E-mail\nJun Sato,jun@tern.example\n', '[]', '<html></html>'])(
  'what says nothing of work is refused with a sentence: %s',
  async (text) => {
    await expect(read(text)).rejects.toThrow('Nothing was changed');
  },
);
