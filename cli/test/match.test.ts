import { fileOf, slate } from './slate';

const roster = fileOf(
  'roster.csv',
  'id,given_name,family_name,called,email\na,Mei,Tanaka,,mei@x.example\nb,Mei,Thorsen,,\nc,Dario,Quispe,,\nd,Jun,,,\n',
);
const match = (...words: string[]) => slate('match', ...words);

test('a list comes out as a line a student, then those nobody is sure of', () => {
  const list = fileOf(
    'list.csv',
    'Name,Email,Join time,Leave time\nMei,mei@x.example,10:41:00 AM,11:30:00 AM\nDario Q.,,10:52 am,11:00 am\nDario Q.,,11:05 am,\nMei,,10:40 am,\nRobin Fields,,10:40 am,\n',
  );
  const times = ['--lesson-start', '2026-11-23T10:40', '--lesson-end', '2026-11-23T11:30'];
  const { stdout, status } = match('--roster', roster, '--participants', list, ...times, '--json');
  expect(status).toBe(0);
  const lines = stdout
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as unknown);
  const away = { standing: 'away', arrived_at: null, left_at: null, minutes: 0, matched_by: null };
  expect(lines).toEqual([
    {
      student: 'a',
      email: 'mei@x.example',
      standing: 'here',
      arrived_at: '2026-11-23T10:40:00',
      left_at: '2026-11-23T11:30:00',
      minutes: 50,
      matched_by: 'email',
    },
    { student: 'b', email: '', ...away },
    {
      student: 'c',
      email: '',
      standing: 'late',
      arrived_at: '2026-11-23T10:52:00',
      left_at: '2026-11-23T11:30:00',
      minutes: 33,
      matched_by: 'initial',
    },
    { student: 'd', email: '', ...away },
    { unmatched: 'Robin Fields', candidates: [] },
  ]);
});

test.each([
  ['a list that is none', ['--roster', roster, '--participants', fileOf('none.txt', '12\n13\n')], 1],
  ['a file that is not there', ['--roster', roster, '--participants', 'nowhere.csv'], 1],
  ['one of two times', ['--roster', roster, '--participants', roster, '--lesson-start', '10:40'], 2],
  ['a time that is none', ['--roster', roster, '--participants', roster, '--lesson-start', '25:00'], 2],
])('%s is said, with the exit code', (_what, words, code) => {
  const { status, stderr, stdout } = match(...words);
  expect([status, stdout]).toEqual([code, '']);
  expect(stderr).not.toBe('');
});
