import fc from 'fast-check';
import { emptyRecords, mergeRecords, withoutRecords, type Records } from '@slate-path/core/records/records';
import { tableNames } from '@slate-path/core/records/tables';
import { olderThan } from '@slate-path/core/sync/older';

const before = '2026-07-20';

const day = fc.constantFrom('2026-02-02', '2026-07-19', before, '2026-11-23');

/** A lesson of a day with what may be recorded in it, and a note of that day. */
const known = fc.array(
  fc.record({ date: day, isOpen: fc.boolean(), waits: fc.boolean(), hasLesson: fc.boolean() }),
  { maxLength: 8 },
);

function recordsOf(days: typeof known extends fc.Arbitrary<infer T> ? T : never): Records {
  const lists: Record<string, unknown[]> = {};
  const add = (table: string, row: { id: string }) => (lists[table] ??= []).push({ removed: false, ...row });
  days.forEach(({ date, isOpen, waits, hasLesson }, index) => {
    const [lessonId, circleId, noteId] = [`lesson${index}`, `circle${index}`, `note${index}`];
    if (hasLesson) add('lesson', { id: lessonId, date } as never);
    for (const table of ['mark', 'sweep', 'tally', 'turn', 'checkIn', 'otherCheckIn', 'tallying'])
      add(table, { id: `${table}${index}`, lessonId } as never);
    add('circle', { id: circleId, lessonId, endedAt: isOpen ? null : `${date}T10:00:00Z` } as never);
    add('circleMember', { id: `member${index}`, circleId } as never);
    add('note', { id: noteId, at: `${date}T10:00:00Z` } as never);
    add('noteStudent', { id: `link${index}`, noteId } as never);
    add('followUp', { id: `again${index}`, noteId, outcome: waits ? 'open' : 'done' } as never);
  });
  return mergeRecords(emptyRecords(), lists);
}

test('what leaves is from before the day, whole, and nothing that somebody still waits for', () => {
  fc.assert(
    fc.property(known, (days) => {
      const records = recordsOf(days);
      const gone = olderThan(records, before);
      const left = withoutRecords(records, gone);
      days.forEach(({ date, isOpen, waits, hasLesson }, index) => {
        const goes = hasLesson && date < before;
        for (const table of [
          'mark',
          'sweep',
          'tally',
          'turn',
          'checkIn',
          'otherCheckIn',
          'tallying',
        ] as const)
          expect(left[table][`${table}${index}`] === undefined).toBe(goes);
        for (const [table, id] of [
          ['circle', 'circle'],
          ['circleMember', 'member'],
        ] as const)
          expect(left[table][`${id}${index}`] === undefined).toBe(goes && !isOpen);
        for (const [table, id] of [
          ['note', 'note'],
          ['noteStudent', 'link'],
          ['followUp', 'again'],
        ] as const)
          expect(left[table][`${id}${index}`] === undefined).toBe(date < before && !waits);
        expect(left.lesson[`lesson${index}`] !== undefined).toBe(hasLesson);
      });
      const count = (some: Records) =>
        tableNames.reduce((sum, table) => sum + Object.keys(some[table]).length, 0);
      expect(count(records) - count(left)).toBe(gone.length);
      expect(olderThan(left, before)).toEqual([]);
    }),
  );
});
