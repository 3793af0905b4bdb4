import 'fake-indexeddb/auto';
import type { RecordLists } from '@slate-path/core/records/records';
import { Device, type OutboxEntry } from '../../src/sync/device';

Object.assign(globalThis, {
  structuredClone: (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown,
});

test('what was recorded a term ago leaves a device that is opened, unless something waits about it', async () => {
  const device = await Device.open('t1');
  const rows = {
    lesson: [
      { id: 'old', date: '2026-03-02', removed: false },
      { id: 'new', date: '2026-11-23', removed: false },
    ],
    mark: ['old', 'new'].flatMap((lessonId) =>
      ['s1', 's2'].map((studentId) => ({ id: `${lessonId}-${studentId}`, lessonId, removed: false })),
    ),
  } as unknown as RecordLists;
  await device.keepAnswer('/api/sync', 'cursor', { whole: true }, rows);
  await device.keepAnswer('/api/days/2026-03-02', 'etag', {}, {});
  const waiting = { change: { id: 'c1' }, edits: [{ op: 'set', table: 'mark', id: 'old-s2', values: {} }] };
  await device.keep([{ entry: waiting as unknown as OutboxEntry, done: null, undoneId: null }]);

  const records = await device.loadRecords('2026-07-20');
  expect(Object.keys(records.mark).toSorted()).toEqual(['new-s1', 'new-s2', 'old-s2']);
  expect(Object.keys(records.lesson)).toHaveLength(2);
  // A view that was answered with them is asked for whole again; the difference goes on from where it was.
  expect(Object.keys(await device.loadAnswers())).toEqual(['/api/sync']);
  expect(Object.keys((await device.loadRecords('2000-01-01')).mark)).toHaveLength(3);
});
