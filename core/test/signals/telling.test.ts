import { follow, freshStanding, clearsAt } from '../../src/watch/signals/cusum';
import { glanceOf } from '../../src/watch/signals/glance';
import { usualLines } from '../../src/watch/signals/usualLines';
import type { Model } from '../../src/watch/signals/models/model';
import { observe } from '../../src/watch/signals/observe';
import { type Slot } from '../../src/watch/signals/streams';
import { draftSummary } from '../../src/watch/signals/summary';
import { watchArchive } from '../../src/watch/signals/watchArchive';
import { usualSettings, watchClass } from '../../src/watch/signals/watchClass';
import { changeInWords, rateInWords, shareInWords } from '../../src/watch/signals/words';
import { classArchive, draw } from './classes';

/** A model that says what it is told: +1 for a change, -0.5 against. */
function scripted(): Model & { learned: number } {
  let value = 0;
  return {
    warmUp: 0,
    learned: 0,
    begin: (slot) => (value = slot.value[0] ?? 0),
    score: () => (value === 1 ? 1 : -0.5),
    scoreAsSeen: () => (value === 1 ? 1 : -1),
    hold: () => undefined,
    learn() {
      this.learned += 1;
    },
    drop: () => undefined,
    amount: () => value,
    usual: () => 0,
    weightAsUsual: () => 1,
    rarity: () => 0,
  };
}

test('a CUSUM by hand: it never falls under zero, learns there, alarms at the limit, dates the onset, ends', () => {
  const model = scripted();
  const standing = freshStanding();
  const told: (string | number)[] = [];
  // Evidence: 1, 0.5, 0 (learned), 1, 2, 3 (change), then four as usual: -1 each, to log 20 = 3.0 off.
  [1, 0, 0, 1, 1, 1, 0, 0, 0].forEach((value, lesson) => {
    const slot: Slot = {
      date: `2026-01-0${lesson + 1}`,
      lesson,
      source: '',
      value: Float64Array.of(value),
      exposure: null,
    };
    model.begin(slot);
    follow(standing, model, 0, slot, 3, (at) => `2026-01-0${at + 1}`);
    told.push(standing.evidence);
  });
  expect(told.slice(0, 6)).toEqual([1, 0.5, 0, 1, 2, 3]);
  expect(model.learned).toBe(1);
  expect(clearsAt).toBeCloseTo(2.996, 3);
  expect([standing.change, standing.ended]).toEqual([
    null,
    { since: '2026-01-04', noticed: '2026-01-06', endedOn: '2026-01-09' },
  ]);
});

test('a teacher’s own lines decide by their order: over the highest is a concern, over a lower one a fact', () => {
  const archive = classArchive({
    lessons: 60,
    students: 20,
    how: (i, lesson) => ({ away: i === 4 ? lesson % 6 === 2 : draw(i, lesson, 1) < 0.02 }),
  });
  const [series] = observe(archive, { asOf: '2026-12-31' });
  if (!series) throw new Error('There is no class.');
  const found = (shares: number[]) =>
    watchClass(series, { ...usualSettings, streams: new Set(['presence']), lines: { ...usualLines, shares } })
      .filter(
        ({ studentId, evidence }) => studentId === 'p4' && evidence.some(({ kind }) => kind === 'level'),
      )
      .map(({ concern }) => concern);
  expect(found([0.08])).toEqual(['absent']);
  expect(found([0.08, 0.5, 0.6])).toEqual(['over_a_line']);
});

describe('a class of seven lessons', () => {
  const archive = classArchive({
    lessons: 7,
    students: 12,
    how: (i, lesson) => ({
      away: (i === 3 && lesson !== 2) || (i === 5 && lesson >= 4) || (i === 7 && lesson === 1),
    }),
  });
  archive.standings.push({ ...archive.standings[0]!, id: 'X', code: 'X', excused: true });
  for (const row of archive.roll)
    if (row.student_id === 'p5' && row.lesson_id !== 'l6') Object.assign(row, { standing_id: 'X' });
    else if (row.student_id === 'p3' && row.lesson_id === 'l0')
      Object.assign(row, { standing_id: null, arrived_at: '2026-01-05T11:20:00' });
  const facts = watchArchive(archive, { asOf: '2026-01-31' });
  test('the plain facts are told long before there is a usual, with what was excused or attended in part', () => {
    expect(facts.map(({ studentId, concern, sentence }) => [studentId, concern, sentence])).toEqual([
      [
        'p3',
        'over_a_line',
        'Student 3 missed 6 of the 7 lessons taken so far (one for the greater part). Also was away from the last four lessons in a row, since 8 January.',
      ],
      [
        'p5',
        'over_a_line',
        'Student 5 missed 3 of the 7 lessons taken so far (two excused). Also was away from the last three lessons in a row (two excused), since 9 January.',
      ],
    ]);
  });
  test('the glance says the same, and nobody else has a fact', () => {
    const [series] = observe(archive, { asOf: '2026-01-31' });
    const told = glanceOf(series!, usualSettings, '2026-01-31').students.filter(({ fact }) => fact !== null);
    expect(told.map(({ studentId, fact }) => [studentId, fact]).sort()).toEqual([
      ['p3', 'missed 6 of the 7 lessons taken so far (one for the greater part)'],
      ['p5', 'missed 3 of the 7 lessons taken so far (two excused)'],
    ]);
  });
});

test('the glance tells of changes only in what is watched, and the class’s own weekday with its numbers', () => {
  const archive = classArchive({
    lessons: 60,
    students: 20,
    how: (i, lesson, weekday) => ({
      away:
        i === 4
          ? lesson >= 45 && lesson % 2 === 0
          : weekday === 5
            ? draw(i, lesson) < 0.25
            : draw(i, lesson) < 0.02,
    }),
  });
  const [series] = observe(archive, { asOf: '2026-12-31' });
  if (!series) throw new Error('There is no class.');
  const all = glanceOf(series, usualSettings, '2026-12-31');
  expect(all.students[0]).toMatchObject({ studentId: 'p4', stream: 'presence', concern: 'absent' });
  expect(all.students[0]?.changed).toBeGreaterThanOrEqual(1);
  expect(all.patterns.map(({ words }) => words).join(' ')).toMatch(
    /The whole class misses \d+\u00A0% of Fridays \(\d+ of \d+\)/,
  );
  const unwatched = glanceOf(series, { ...usualSettings, streams: new Set(['voice']) }, '2026-12-31');
  expect(unwatched.students.every(({ changed }) => changed === 0)).toBe(true);
  expect(unwatched.students[0]?.missed.filter((missed) => missed !== null)).not.toEqual([]);
});

test.each([
  [0, 'hardly any'],
  [0.0054, 'hardly any'],
  [0.04, 'one in 25'],
  [0.33, 'one in three'],
  [0.5, 'half'],
  [0.95, 'nearly all'],
])('a share of %d is %s', (share, words) => {
  expect(shareInWords(share)).toBe(words);
});

test.each([
  [0.01, 'hardly any'],
  [0.125, 'one in eight lessons'],
  [0.6, 'one in two lessons'],
  [1.1, 'about one a lesson'],
  [1.6, 'about one and a half a lesson'],
  [4.2, 'about four a lesson'],
])('a rate of %d is %s', (rate, words) => {
  expect(rateInWords(rate, 'lesson')).toBe(words);
});

test('what changed is told in words a teacher would use', () => {
  expect(changeInWords.voice({ sum: 1, exposure: 9, n: 9, usual: 2 })).toBe(
    'was heard once in nine observed lessons; the usual is about two a lesson',
  );
  expect(changeInWords.presence({ sum: 0, exposure: 1, n: 1, usual: 0.1 })).toBe(
    'has missed none of one lesson; the usual is one in ten',
  );
  expect(changeInWords.score({ sum: -28, exposure: 2, n: 2, usual: 2 })).toBe(
    'scored 14.0 points under the class’s middle on two pieces of work; the usual is 2.0 over',
  );
});

test('a summary says what is recorded, each sentence with its records, and nothing where nothing is', () => {
  const facts = draftSummary({
    name: 'Odalys',
    classes: [
      {
        name: 'Boats',
        taken: 20,
        missed: 2,
        late: 1,
        missedLessons: [
          { id: 'l3', day: '2026-09-03' },
          { id: 'l9', day: '2026-09-09' },
        ],
      },
      { name: 'Tides', taken: 0, missed: 0, late: 0, missedLessons: [] },
    ],
    items: [],
    cleared: [],
    steps: [{ id: 'step', kind: 'Talk', day: '2026-11-09', text: 'At the slip.' }],
    notes: [{ id: 'n', day: '2026-11-10' }],
  });
  expect(facts).toEqual([
    {
      sentence: 'Boats: missed 2 of 20 lessons taken (10\u00A0%) and came late to 1.',
      records: [
        { id: 'l3', day: '2026-09-03' },
        { id: 'l9', day: '2026-09-09' },
      ],
    },
    { sentence: 'Talk on 9 November: At the slip.', records: [{ id: 'step', day: '2026-11-09' }] },
    { sentence: 'One note this term, the last on 10 November.', records: [{ id: 'n', day: '2026-11-10' }] },
  ]);
  expect(draftSummary({ name: 'Jun', classes: [], items: [], cleared: [], steps: [], notes: [] })).toEqual(
    [],
  );
});
