import fc from 'fast-check';
import { layoutNames, layoutOf } from '@slate-path/core/people/room/layouts';
import { floorOf } from '../src/features/people/room/floor';

const size = { narrowest: 72, widest: 160, height: 56 };

test('no two seats touch, none is too narrow to tap, and the front row is the lowest', () => {
  const anyRoom = fc.tuple(
    fc.constantFrom(...layoutNames.filter((layout) => layout !== 'empty')),
    fc.integer({ min: 1, max: 60 }),
    fc.integer({ min: 300, max: 1400 }),
  );
  fc.assert(
    fc.property(anyRoom, ([layout, count, width]) => {
      const seats = layoutOf(layout, count);
      const floor = floorOf(seats, { ...size, width });
      const boxes = seats.map((seat) => ({ ...floor.boxOf(seat), y: seat.y }));
      boxes.forEach((a, index) => {
        expect(a.width).toBeGreaterThanOrEqual(72);
        expect(a.left + a.width).toBeLessThanOrEqual(floor.width);
        expect(a.top + a.height).toBeLessThanOrEqual(floor.height);
        for (const b of boxes.slice(index + 1)) {
          const apart = Math.abs(a.left - b.left) > a.width || Math.abs(a.top - b.top) > a.height;
          expect(apart).toBe(true);
          if (b.y > a.y) expect(b.top).toBeLessThan(a.top);
        }
      });
    }),
    { numRuns: 30 },
  );
});

test.each([
  // Six seats and two aisles of 16 with their gaps: (1000 - 20 - 30) / 6.
  ['a wide screen is filled', 1000, 158],
  ['no seat is wider than it needs', 2000, 160],
  ['what does not fit is scrolled', 358, 72],
])('%s', (_what, width, seat) => {
  expect(floorOf(layoutOf('pairs', 24), { ...size, width }).boxOf({ x: 10, y: 10 }).width).toBe(seat);
});

test('a class of 30 fits the width of a phone in every layout; a door beside the seats takes a narrow column', () => {
  const phone = { narrowest: 44, widest: 160, height: 56, width: 352 };
  for (const layout of layoutNames) {
    const seats = layoutOf(layout, 30);
    if (seats.length === 0) continue;
    expect([layout, floorOf(seats, phone).width <= 352]).toEqual([layout, true]);
    const door = [{ x: 8, y: 12 }];
    const floor = floorOf(seats, phone, [door]);
    expect(floor.boxOf({ x: 8, y: 12 }).width).toBe(28);
    // The same from the back, the other way round.
    const back = floorOf(seats, { ...phone, from: 'back' }, [door]);
    expect(back.boxOf({ x: 8, y: 12 }).left).toBe(back.width - 28);
  }
});
