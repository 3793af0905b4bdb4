import { fileOf, slate } from './slate';

const roster = fileOf(
  'students.csv',
  'id,given_name,family_name,called,email,grade\na,Mei,Tanaka,,,7\nb,Mei,Thorsen,,,7\nc,Dario,Quispe,,,8\nd,Zélie,Okafor,,,8\n',
);
const topics = fileOf('topics.csv', 'id,name,trouble\nt1,splicing,true\nt2,off-task,true\n');
const run = (...words: string[]) => slate('read-note', ...words);
const read = (text: string) =>
  run('--roster', roster, '--topics', topics, '--at', '2026-11-25T10:05:00', '--text', text, '--json');

test('students with their places, topics and the day to look again', () => {
  const { stdout, status } = read(
    '😀 dario and mei stuck on splicing, dario wants till thursday; zelie not off task',
  );
  expect(status).toBe(0);
  expect(JSON.parse(stdout)).toEqual({
    students: [
      { id: 'c', span: [3, 8], sure: true, candidates: [] },
      { id: null, span: [13, 16], sure: false, candidates: ['a', 'b'] },
      { id: 'c', span: [36, 41], sure: true, candidates: [] },
      { id: 'd', span: [63, 68], sure: true, candidates: [] },
    ],
    topics: ['t1'],
    follow_up: '2026-11-26',
  });
});

test('a day that is over, or cannot be, is no day to look again', () => {
  expect(
    JSON.parse(read('Dario was late on Monday, due 14 March 2025, trip 30 February').stdout),
  ).toMatchObject({
    follow_up: null,
  });
});

test('a table without the columns, a row without an id and a wrong moment are told', () => {
  const bad = fileOf('bad.csv', 'id,given_name,family_name\n,Mei,Tanaka\n');
  const none = fileOf('none.csv', 'name,class\nMei,7\n');
  const at = ['--at', '2026-11-25', '--text', 'x'];
  expect(run('--roster', bad, ...at)).toMatchObject({
    status: 1,
    stderr: expect.stringContaining('bad.csv:2'),
  });
  expect(run('--roster', none, ...at)).toMatchObject({
    status: 1,
    stderr: expect.stringContaining('none.csv:1'),
  });
  expect(run('--roster', roster, '--at', 'soon', '--text', 'x').status).toBe(2);
});
