import { planBring } from '../../src/work/bring/planBring';
import { readStatements } from '../../src/work/bring/readStatements';

const adl = 'http://adlnet.gov/expapi/verbs/';
const submit = 'http://activitystrea.ms/schema/1.0/submit';
const said = (verb: string, at: string, title: string, score?: object) => ({
  actor: { mbox: 'mailto:mei@tern.example' },
  verb: { id: verb },
  object: { id: `https://board.example/${title}`, definition: { name: { en: title } } },
  timestamp: `2026-11-${at}Z`,
  ...(score && { result: { score } }),
});

const reading = readStatements(
  JSON.stringify([
    said(submit, '18T10:00:00', 'Log'),
    said(submit, '19T10:00:00', 'Log'),
    said(`${adl}scored`, '20T10:00:00', 'Log', { scaled: 0.75 }),
    said(`${adl}passed`, '20T11:00:00', 'Quiz', { raw: 6, max: 8 }),
    said(`${adl}failed`, '20T11:00:00', 'Knots', { raw: 3 }),
    said(`${adl}completed`, '20T12:00:00', 'A page'),
    said(`${adl}scored`, '20T12:00:00', 'Odd', { scaled: -0.5 }),
  ]),
  'UTC',
);

test('what statements say of pieces of work: first handed in, last score', () => {
  expect(reading.pieces.map(({ title }) => title)).toEqual(['Log', 'Quiz', 'Knots']);
  expect(reading.handIns).toMatchObject([
    {
      piece: 0,
      handedInAt: '2026-11-18T10:00:00',
      handedBackAt: '2026-11-20T10:00:00',
      score: null,
      share: 0.75,
    },
    { piece: 1, handedInAt: '2026-11-20T11:00:00', handedBackAt: '2026-11-20T11:00:00', share: 0.75 },
    { piece: 2, handedInAt: '2026-11-20T11:00:00', score: 3 },
  ]);
  expect(reading.actions).toHaveLength(7);
});

test('only pieces that the class has; a share is of their points; a first hand-in stays the first', () => {
  const piece = { sectionId: 's', assignedAt: null, dueAt: null, removed: false, studentId: null };
  const work = [
    { id: 'w1', title: 'log', points: 20, ...piece },
    { id: 'w2', title: 'Quiz', points: null, ...piece },
  ];
  const known = {
    ...{ id: 'w1.mei', workId: 'w1', studentId: 'mei', removed: false, status: 'handed_in' as const },
    ...{ handedInAt: '2026-11-17T08:00:00', handedBackAt: null, score: null, written: null, minutes: null },
  };
  const students = new Map([[0, 'mei']]);
  const plan = planBring(reading, { work, handIns: { 'w1.mei': known }, students, newId: (title) => title });
  expect(plan.pieces.map(({ id, fate }) => [id, fate])).toEqual([
    ['w1', 'same'],
    ['w2', 'same'],
  ]);
  expect(plan.handIns).toMatchObject([
    { workId: 'w1', handedInAt: '2026-11-17T08:00:00', score: 15, fate: 'changed' },
    { workId: 'w2', handedInAt: '2026-11-20T11:00:00', score: null, fate: 'new' },
  ]);
});
