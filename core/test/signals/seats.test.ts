import fc from 'fast-check';
import { hypergeometricTail, smallestTail } from '../../src/watch/signals/hypergeometric';
import { classArchive, draw, listed, type TestClass } from './classes';

// Values from SciPy 1.10.1: stats.hypergeom.sf(x - 1, all, hits, drawn).
test.each([
  [12, { all: 32, hits: 12, drawn: 17 }, 2.7405652012703322e-5],
  [3, { all: 35, hits: 4, drawn: 7 }, 0.019385026737967912],
  [6, { all: 13, hits: 6, drawn: 10 }, 0.12237762237762238],
  [1, { all: 20, hits: 5, drawn: 4 }, 0.7182662538699691],
  [0, { all: 10, hits: 3, drawn: 3 }, 1],
  [9, { all: 60, hits: 9, drawn: 20 }, 1.1361589606685158e-5],
  [5, { all: 60, hits: 12, drawn: 30 }, 0.8332941309423977],
])('at least %d hits: %j', (x, drawing, tail) => {
  expect(hypergeometricTail(x, drawing)).toBeCloseTo(tail, 12);
});

test('the smallest tail is that of as many hits as there can be', () => {
  const drawings = fc
    .tuple(fc.integer({ min: 1, max: 60 }), fc.nat(60), fc.nat(60))
    .map(([all, hits, drawn]) => ({ all, hits: Math.min(hits, all), drawn: Math.min(drawn, all) }));
  fc.assert(
    fc.property(drawings, (drawing) => {
      const most = Math.min(drawing.hits, drawing.drawn);
      expect(smallestTail(drawing)).toBeCloseTo(hypergeometricTail(most, drawing), 10);
    }),
  );
});

/** Students 0 and 1 side by side in the first weeks and from lesson 40 on, far from each other between. */
const together = { from: 0, row: [0, 1, null, 2, 3, null, 4, 5, null, 6, 7] };
const apart = { from: 20, row: [0, 2, null, 1, 3, null, 4, 5, null, 6, 7] };
const again = { ...together, from: 40 };
const beside = (lesson: number) => lesson < 20 || lesson >= 40;

const troubleOf = (how: TestClass['how'], seatings = [together, apart, again]) =>
  listed(classArchive({ lessons: 60, students: 8, seatings, how })).flatMap(({ studentId, evidence }) =>
    evidence
      .filter(({ kind, stream }) => kind === 'pattern' && stream === 'trouble')
      .map(({ words }) => `${studentId} ${words}`),
  );

test('trouble beside a neighbour is told with its numbers', () => {
  const how: TestClass['how'] = (student, lesson) => ({
    spoke: 1,
    trouble: student === 0 && beside(lesson) && draw(lesson, 3) < 0.6 ? 1 : 0,
  });
  const hits = Array.from({ length: 60 }, (_, at) => at).filter((at) => (how(0, at, 1).trouble ?? 0) > 0);
  expect(troubleOf(how)).toEqual([
    `p0 had unwanted tallies in ${hits.length} of 40 lessons beside Student 1, and none of 20 lessons without`,
  ]);
  expect(troubleOf(how, [])).toEqual([]);
});

test('while the neighbour is away there is nobody beside', () => {
  // They sit together all the time; student 1 is away every third lesson, and then there is peace.
  const isAway = (lesson: number) => lesson % 3 === 0;
  const how: TestClass['how'] = (student, lesson) => ({
    spoke: 1,
    away: student === 1 && isAway(lesson),
    trouble: student === 0 && !isAway(lesson) && draw(lesson, 3) < 0.6 ? 1 : 0,
  });
  expect(troubleOf(how, [together]).join()).toMatch(
    /^p0 had .* of 40 lessons beside Student 1, and none of 20/,
  );
});

test('trouble since another seat is told of the seat, where no neighbour explains it better', () => {
  // Student 0 moves away from everybody at lesson 30.
  const alone = { from: 30, row: [null, 1, null, 2, 3, null, 4, 5, null, 6, 7, null, 0] };
  const how: TestClass['how'] = (student, lesson) => ({
    spoke: 1,
    trouble: student === 0 && lesson >= 30 && draw(lesson, 3) < 0.7 ? 1 : 0,
  });
  expect(troubleOf(how, [together, alone]).join()).toMatch(
    /^p0 had .* of 30 lessons on the present seat, and none of 30 lessons on other seats$/,
  );
});

test('whoever is in trouble everywhere is not so because of a neighbour', () => {
  const how: TestClass['how'] = (student, lesson) => ({
    spoke: 1,
    trouble: student === 0 && draw(lesson, 3) < 0.5 ? 1 : 0,
  });
  expect(troubleOf(how)).toEqual([]);
});

/** Everybody in some trouble now and then; student 0 mostly beside student 1. */
const mixed: TestClass['how'] = (student, lesson) => ({
  spoke: 1,
  away: draw(student, lesson, 5) < 0.05,
  trouble: draw(student, lesson) < (student === 0 && beside(lesson) ? 0.8 : 0.04) ? 1 : 0,
});
const mixedClass = { lessons: 60, students: 8, seatings: [together, apart, again], how: mixed };

test('in whatever order seatings and seats stand, the same is told', () => {
  const archive = classArchive(mixedClass);
  const told = listed(archive);
  expect(told.map(({ sentence }) => sentence).join()).toContain('beside Student 1');
  const order = fc.shuffledSubarray(archive.more, { minLength: archive.more.length });
  fc.assert(
    fc.property(order, fc.boolean(), (more, turned) => {
      const rows = more.map((row) => {
        const seating = JSON.parse(row.fields) as { places: unknown[] };
        return {
          ...row,
          fields: JSON.stringify(turned ? { ...seating, places: seating.places.reverse() } : seating),
        };
      });
      expect(listed({ ...archive, more: rows })).toEqual(told);
    }),
    { numRuns: 12 },
  );
});

test('with other ids, and whole weeks later, the same is told of the same students', () => {
  const told = (archive: Parameters<typeof listed>[0], idOf: (id: string) => string) =>
    listed(archive, '2027-12-31').map(({ studentId, concern, strength, evidence }) => [
      idOf(studentId),
      concern,
      strength,
      evidence.map(({ kind, words }) => (kind === 'pattern' ? words : kind)),
    ]);
  const plain = told(classArchive(mixedClass), (id) => id);
  const renamed = classArchive({ ...mixedClass, idOf: (i) => `z${90 - i}` });
  expect(told(renamed, (id) => `p${90 - Number(id.slice(1))}`)).toEqual(plain);
  expect(told(classArchive({ ...mixedClass, startsOn: '2026-03-02' }), (id) => id)).toEqual(plain);
});

test('what an archive says of seats and makes no sense is no seat; everything else is told as ever', () => {
  const archive = classArchive(mixedClass);
  const withRows = (fields: string) =>
    listed({ ...archive, more: [{ table: 'seating', id: 'odd', fields, line: 2 }] });
  const without = listed({ ...archive, more: [] });
  expect(withRows('{"sectionId":')).toEqual(without);
  expect(withRows('{"sectionId":"s","roomPlanId":"plan","startsOn":"soon","places":[]}')).toEqual(without);
});
