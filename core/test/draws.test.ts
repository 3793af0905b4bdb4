import fc from 'fast-check';
import { nodChanges } from '../src/nods/changes';
import { drawnOf, winnersOf } from '../src/nods/draws/drawn';
import { lotOf, mostToDraw } from '../src/nods/draws/lot';
import { makeDraw, type DrawOptions } from '../src/nods/draws/make';
import { nodsInPool } from '../src/nods/draws/pool';
import { ticketOf } from '../src/nods/draws/tickets';
import { restingAt } from '../src/nods/draws/turns';
import type { Draw } from '../src/records/schema';

const options: DrawOptions = {
  ...{ sectionId: 's', groupName: '', at: '2026-11-23T11:00:00' },
  ...{ startsOn: '2026-11-01', endsOn: '2026-11-30', chances: 'nods', wanted: 1, seed: 4711 },
  ...{ rest: 'everyone', restWeeks: null },
};
const counts = new Map([
  ['a', 3],
  ['b', 1],
  ['c', 2],
  ['d', 5],
  ['e', 1],
]);
const resting = new Set(['c', 'e']);

/** Chi-squared with four degrees of freedom is above it once in a thousand. */
const critical = 18.467;

function chiSquared(seen: readonly number[], expected: readonly number[]): number {
  return seen.reduce((sum, count, index) => {
    const wanted = expected[index] ?? 0;
    return sum + (count - wanted) ** 2 / wanted;
  }, 0);
}

test('the numbers of a seed are those that any SHA-256 gives', () => {
  // `printf '%s' 4711:1 | sha256sum` begins with a5506d03ef0b; the remainder by 23 is 18.
  expect([1, 2, 3, 4].map((n) => ticketOf(4711, n, 23))).toEqual([19, 11, 8, 17]);
});

describe('who is drawn', () => {
  // Worked out by another program, with a bag in which every ticket lies as its holder's name.
  test.each([
    [1, 1, 'everyone', 'a'],
    [1, 3, 'everyone', 'abd'],
    [7, 4, 'everyone', 'adbe'],
    [7, 5, 'weeks', 'adb'],
    [999_999_999, 5, 'everyone', 'adbce'],
  ] as const)('seed %i, %i wanted, rest %s', (seed, wanted, rest, winners) => {
    const lot = lotOf(counts, resting, 'nods');
    expect(winnersOf(drawnOf({ seed, wanted, rest, ...lot })).join('')).toBe(winners);
  });

  test('by nods or equal, the chances are what they say: 10,000 seeds', () => {
    for (const chances of ['nods', 'equal'] as const) {
      const lot = lotOf(counts, new Set(), chances);
      const ids = lot.entries.map(({ studentId }) => studentId);
      const first = new Map(ids.map((id) => [id, 0]));
      const second = new Map(ids.map((id) => [id, 0]));
      for (let seed = 0; seed < 10_000; seed += 1) {
        const [one = '', two = ''] = winnersOf(drawnOf({ seed, wanted: 2, rest: 'none', ...lot }));
        first.set(one, (first.get(one) ?? 0) + 1);
        second.set(two, (second.get(two) ?? 0) + 1);
      }
      const shares = lot.entries.map(({ tickets }) => tickets / lot.tickets);
      // Second is whoever is drawn from the tickets that are left when the first one's are taken out.
      const then = shares.map((share, index) =>
        shares.reduce((sum, other, at) => (at === index ? sum : sum + (other * share) / (1 - other)), 0),
      );
      const of = (share: readonly number[]) => share.map((one) => one * 10_000);
      expect(chiSquared([...first.values()], of(shares))).toBeLessThan(critical);
      expect(chiSquared([...second.values()], of(then))).toBeLessThan(critical);
    }
  });

  test('a list without somebody who was erased says so, and draws the others as before', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 2, maxLength: 12 }),
        fc.integer({ min: 0, max: 999_999_999 }),
        fc.nat(),
        (nods, seed, gone) => {
          const lot = lotOf(new Map(nods.map((count, index) => [`s${index}`, count])), new Set(), 'nods');
          const drawn = drawnOf({ seed, wanted: lot.entries.length, rest: 'none', ...lot });
          const erased = `s${gone % nods.length}`;
          const left = { ...lot, entries: lot.entries.filter(({ studentId }) => studentId !== erased) };
          const again = drawnOf({ seed, wanted: lot.entries.length, rest: 'none', ...left });
          expect(again).toEqual(
            drawn.map((one) => (one.studentId === erased ? { ...one, studentId: null } : one)),
          );
        },
      ),
    );
  });
});

/** Draws one after the other, a day apart, each of as many as it says. */
function drawAll(
  each: readonly { nods: ReadonlyMap<string, number>; wanted: number }[],
  rule: Pick<DrawOptions, 'rest' | 'restWeeks' | 'chances'>,
): Draw[] {
  const draws: Draw[] = [];
  each.forEach(({ nods, wanted }, index) => {
    const at = `2026-${String(9 + Math.floor(index / 28)).padStart(2, '0')}-${String((index % 28) + 1).padStart(2, '0')}T11:00:00`;
    const made = makeDraw({ ...options, ...rule, wanted, at, seed: 31 * index }, nods, draws);
    draws.push({ ...made, id: `draw${index}`, removed: false });
  });
  return draws;
}

const aDraw = fc.record({ wanted: fc.integer({ min: 1, max: 5 }) });

describe('nobody twice', () => {
  test('until everyone has had a turn: each round is everybody once', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 12 }),
        fc.array(aDraw, { minLength: 1, maxLength: 40 }),
        fc.constantFrom('nods' as const, 'equal' as const),
        (size, each, chances) => {
          const nods = new Map(Array.from({ length: size }, (_, index) => [`s${index}`, (index % 4) + 1]));
          const draws = drawAll(
            each.map(({ wanted }) => ({ nods, wanted })),
            { rest: 'everyone', restWeeks: null, chances },
          );
          const turns = draws.flatMap(({ winners }) => winners);
          expect(turns).toHaveLength(each.reduce((sum, { wanted }) => sum + wanted, 0));
          for (let from = 0; from < turns.length; from += size) {
            const round = turns.slice(from, from + size);
            expect(new Set(round).size).toBe(round.length);
          }
        },
      ),
    );
  });

  test('where somebody joins, before whom nobody has two more turns', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 9 }),
        fc.array(aDraw, { minLength: 2, maxLength: 30 }),
        fc.nat(),
        (size, each, joins) => {
          const old = new Map(Array.from({ length: size }, (_, index) => [`s${index}`, 1]));
          const from = joins % each.length;
          const draws = drawAll(
            each.map(({ wanted }, index) => ({
              nods: index < from ? old : new Map([...old, ['new', 1]]),
              wanted,
            })),
            { rest: 'everyone', restWeeks: null, chances: 'nods' },
          );
          const turns = draws.slice(from).flatMap(({ winners }) => winners);
          const until = turns.includes('new') ? turns.slice(0, turns.indexOf('new')) : turns;
          expect(new Set(until).size).toBe(until.length);
        },
      ),
    );
  });

  test('for some weeks: nobody within them, and nobody at all where all rest', () => {
    fc.assert(
      fc.property(fc.array(aDraw, { minLength: 1, maxLength: 40 }), (each) => {
        const nods = new Map(Array.from({ length: 6 }, (_, index) => [`s${index}`, 1]));
        const draws = drawAll(
          each.map(({ wanted }) => ({ nods, wanted })),
          { rest: 'weeks', restWeeks: 1, chances: 'nods' },
        );
        draws.forEach(({ winners }, index) => {
          const lately = draws.slice(Math.max(0, index - 6), index).flatMap((draw) => draw.winners);
          expect(winners.filter((id) => lately.includes(id))).toEqual([]);
          expect(winners.length).toBe(Math.min(each[index]?.wanted ?? 0, 6 - new Set(lately).size));
        });
      }),
    );
  });

  test('not asked for: whoever was drawn is in again', () => {
    const [draw] = drawAll([{ nods: counts, wanted: 5 }], { rest: 'none', restWeeks: null, chances: 'nods' });
    expect(restingAt(draw ? [draw] : [], '2026-12-01T10:00:00', { rest: 'none', restWeeks: null }).size).toBe(
      0,
    );
  });

  test('as many as there are, or as many as do not rest', () => {
    const lot = lotOf(counts, resting, 'nods');
    expect([mostToDraw(lot, 'everyone'), mostToDraw(lot, 'weeks')]).toEqual([5, 3]);
  });
});

describe('whose nods count', () => {
  const nod = (studentId: string, at: string, sectionId: string | null = 's') => ({
    studentId,
    at,
    sectionId,
  });
  const nods = [
    nod('a', '2026-11-01T08:00:00'),
    nod('a', '2026-11-30T23:00:00'),
    nod('b', '2026-10-31T23:59:00'),
    nod('c', '2026-11-10T09:00:00', null),
    nod('d', '2026-11-10T09:00:00', 'other'),
    nod('e', '2026-11-10T09:00:00'),
  ];
  const enrolment = (studentId: string, endsOn: string | null = null) => ({
    ...{ id: studentId, removed: false, sectionId: 's', studentId, cohort: '', startsOn: null, endsOn },
  });
  const enrolments = ['a', 'b', 'c', 'd'].map((id) => enrolment(id)).concat(enrolment('e', '2026-11-20'));
  const pool = { ...options, at: '2026-12-01T10:00:00', groupIds: null };

  test('in the days, of the class or of none, of who is still in it', () => {
    expect([...nodsInPool(pool, nods, enrolments)]).toEqual([
      ['a', 2],
      ['c', 1],
    ]);
  });

  test('only what was given before the draw; only a group; the whole school', () => {
    expect([...nodsInPool({ ...pool, at: '2026-11-30T12:00:00' }, nods, enrolments)][0]).toEqual(['a', 1]);
    expect([...nodsInPool({ ...pool, groupIds: ['c'] }, nods, enrolments).keys()]).toEqual(['c']);
    expect([...nodsInPool({ ...pool, sectionId: null }, nods, enrolments).keys()]).toEqual(['a', 'c', 'd']);
  });
});

test('a draw that says others than its seed and list give is refused, as is one of nobody', () => {
  const made = { id: 'draw', ...makeDraw(options, counts, []) };
  const { payload } = nodChanges['draw.make'];
  expect(payload.safeParse(made).success).toBe(true);
  const other = counts.size > 0 && made.winners[0] === 'a' ? 'b' : 'a';
  expect(payload.safeParse({ ...made, winners: [other] }).error?.issues[0]?.message).toMatch(
    /Others are drawn/,
  );
  // Tickets that nobody has, or that two have, would never all be drawn.
  const [first, ...others] = made.entries;
  const twice = { ...made, entries: first ? [first, { ...first, studentId: 'z' }, ...others] : [] };
  const beyond = { ...made, wanted: 50, tickets: made.tickets - 1 };
  for (const wrong of [twice, beyond]) expect(payload.safeParse(wrong).success).toBe(false);
  expect(drawnOf({ ...beyond, tickets: 1 }).length).toBeLessThanOrEqual(2);
  const nobody = { ...made, ...makeDraw(options, new Map(), []) };
  expect(payload.safeParse(nobody).error?.issues[0]?.message).toBe('Nobody was drawn');
});
