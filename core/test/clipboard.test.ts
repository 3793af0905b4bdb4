import fc from 'fast-check';
import { layoutNames, layoutOf } from '../src/people/room/layouts';
import { paperSizes } from '../src/sharing/papers/sizes';
import { boxWords, rollContents, tickContents } from '../src/ticks/clipboard/contents';
import {
  clipboardList,
  clipboardPlan,
  leastBox,
  type Area,
  type Clipboard,
} from '../src/ticks/clipboard/page';
import { cell, column } from './aTickColumn';

const students = (count: number) => Array.from({ length: count }, (_, at) => `s${at}`);

/** Where each student sits in a room of some kind, the last ones perhaps nowhere. */
const seatsIn = (layout: (typeof layoutNames)[number], ids: readonly string[]) =>
  ids.length === 0
    ? []
    : layoutOf(layout, ids.length).map((seat, at) => ({ ...seat, studentId: ids[at] ?? '' }));

const apart = (a: Area, b: Area) =>
  a.x + a.width <= b.x + 1e-6 ||
  b.x + b.width <= a.x + 1e-6 ||
  a.y + a.height <= b.y + 1e-6 ||
  b.y + b.height <= a.y + 1e-6;

/** Everybody once, every box large enough, nothing over another or beyond the sheet. */
function check(made: Clipboard, ids: readonly string[], boxes: number): void {
  if ('problem' in made) {
    expect(made.problem).toContain('5 mm');
    return;
  }
  const blocks = made.pages.flatMap((page) => page.blocks);
  expect(blocks.map(({ studentId }) => studentId).sort()).toEqual([...ids].sort());
  for (const page of made.pages) {
    const boxesOf = page.blocks.flatMap((block) => block.boxes);
    const areas = [...page.blocks.map(({ name }) => name), ...boxesOf, ...page.legend, made.heading];
    if (page.front) areas.push(page.front);
    const edges = areas.flatMap(({ x, y, width, height }) => [
      x,
      y,
      made.width - x - width,
      made.height - y - height,
    ]);
    expect(Math.min(...edges)).toBeGreaterThan(4.9);
    const sizes = boxesOf.flatMap(({ width, height }) => [width, height]);
    expect(Math.min(leastBox, ...sizes)).toBeGreaterThanOrEqual(leastBox - 1e-6);
    const over = page.blocks.filter((block, at) =>
      page.blocks.slice(at + 1).some((other) => !apart(block, other)),
    );
    expect(over).toEqual([]);
    const covered = page.blocks.filter((block) => block.boxes.some((box) => !apart(box, block.name)));
    expect([covered, page.blocks.some((block) => block.boxes.length !== boxes)]).toEqual([[], false]);
  }
}

test('any class on any sheet: everybody once, boxes of 5 mm, nothing over another or cut off; or it is told', () => {
  const wish = fc.record({
    count: fc.integer({ min: 0, max: 40 }),
    unseated: fc.integer({ min: 0, max: 6 }),
    layout: fc.constantFrom(...layoutNames),
    rows: fc.integer({ min: 1, max: 5 }),
    columns: fc.integer({ min: 1, max: 6 }),
    paper: fc.constantFrom(...paperSizes),
    back: fc.boolean(),
    seated: fc.boolean(),
  });
  fc.assert(
    fc.property(wish, ({ count, unseated, layout, rows, columns, paper, back, seated }) => {
      const ids = students(count);
      const seats = seated ? seatsIn(layout, ids.slice(0, Math.max(0, count - unseated))) : [];
      const boxes = { rows, columns };
      check(clipboardPlan(ids, seats, { boxes, paper, back }), ids, rows * columns);
      check(clipboardList(ids, { boxes, paper }), ids, rows * columns);
    }),
  );
});

test.each(paperSizes)(
  '36 students as they sit, in rows or pairs, stand on one sheet of %s with ten boxes each',
  (paper) => {
    const ids = students(36);
    for (const layout of ['rows', 'pairs'] as const) {
      const made = clipboardPlan(ids, seatsIn(layout, ids), {
        boxes: { rows: 2, columns: 5 },
        paper,
        back: false,
      });
      expect(made).toMatchObject({ pages: [{}] });
    }
    // By name, where nobody sits anywhere.
    const made = clipboardPlan(ids, [], { boxes: { rows: 2, columns: 6 }, paper, back: false });
    expect(made).toMatchObject({ pages: [{}] });
  },
);

test('the front row is nearest to whoever stands in front; from the back all is turned', () => {
  const seats = [
    { studentId: 'a', x: 0, y: 0 },
    { studentId: 'b', x: 5, y: 3 },
  ];
  const made = (back: boolean) => {
    const page = clipboardPlan(['a', 'b'], seats, { boxes: { rows: 1, columns: 2 }, paper: 'A4', back });
    if ('problem' in page) throw new Error(page.problem);
    const [a, b] = page.pages[0]!.blocks;
    return [a!.x < b!.x, a!.y > b!.y, page.pages[0]!.front!.y > a!.y];
  };
  expect(made(false)).toEqual([true, true, true]);
  expect(made(true)).toEqual([false, false, false]);
});

test.each<[Parameters<typeof column>[0], ReturnType<typeof cell>, string]>([
  [{}, cell('yes'), 'x'],
  [{}, cell(null, { exempt: true }), '–'],
  [{ kind: 'fee', most: 10 }, cell('10'), 'x'],
  [{ kind: 'fee', most: 10 }, cell('4'), '4'],
  [{ kind: 'ofMany', most: 8 }, cell('7'), '7'],
  [{ kind: 'date' }, cell('2026-12-04'), '4.12.'],
  [{ kind: 'choice', choices: ['Vegetables'] }, cell('Vegetables'), 'Vege'],
])('in a box of %j stands %j as %j', (given, tick, words) => {
  const whole = { ...tick, id: 'c.a', columnId: 'c', studentId: 'a', removed: false };
  expect(boxWords(column(given), whole)).toBe(words);
  const contents = tickContents([column({ number: 3, ...given })], { 'c.a': whole }, true);
  expect([contents.valueOf('a', 3), contents.valueOf('a', 1), contents.legend.get(3)]).toEqual([
    words,
    '',
    'Slip',
  ]);
});

test('a day’s roll has the letter of each mark; what was not taken stays empty', () => {
  const standing = (id: string, code: string, countsAs: 'here' | 'away') => ({
    ...{
      id,
      code,
      name: id,
      countsAs,
      credit: 1,
      excused: false,
      removed: false,
      position: 0,
      mergedIntoId: null,
    },
  });
  const standings = [standing('here', 'h', 'here'), standing('away', 'a', 'away')] as unknown as Parameters<
    typeof rollContents
  >[1];
  const marks = new Map([['b', 'away']]);
  const contents = rollContents(
    [
      { name: 'P1', taken: true, standingIds: marks },
      { name: 'P2', taken: false, standingIds: new Map() },
    ],
    standings,
    true,
  );
  expect(['a', 'b'].map((id) => [contents.valueOf(id, 1), contents.valueOf(id, 2)])).toEqual([
    ['h', ''],
    ['a', ''],
  ]);
  expect([...contents.legend.values()]).toEqual(['P1', 'P2', 'h here', 'a away']);
});
