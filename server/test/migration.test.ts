import { DataSource } from 'typeorm';
import { entities } from '../src/database/entities';
import { migrations } from '../src/database/open';
import { change, signedIn, startServer, type Caller } from './server';
import { makeClass, send } from './smallClass';

const now = '2026-11-23T12:00:00Z';
const lesson = {
  id: 'meeting.2026-11-16',
  sectionId: 'boats',
  date: '2026-11-16',
  startsAt: '10:40',
  endsAt: '11:30',
};
const at = '2026-11-16T11:00:00.000Z';
/** A piece of one student, as it is written today. */
const ownPiece = change('piece.own', {
  piece: {
    ...{ id: 'own', sectionId: 'boats', studentId: 'ann', title: 'Chart of the bay' },
    ...{ assignedAt: null, dueAt: null, points: null },
  },
  handIn: {
    ...{ status: 'handed_in', handedInAt: '2026-11-16T12:00:00' },
    ...{ handedBackAt: null, score: null, written: null, minutes: 40 },
  },
  lessons: [],
});
const views = [
  '/api/setup',
  '/api/days/2026-11-16',
  '/api/notes',
  '/api/notes/recent',
  '/api/watch',
  '/api/students/ann/path',
  '/api/sections/boats/counts?from=2026-11-01&to=2026-11-30',
  '/api/totals?from=2026-11-01&to=2026-11-30',
  '/api/sections/boats/work?from=2026-11-16&to=2026-11-23',
  '/api/sections/boats/students/ann/days/2026-11-18',
];

/** Makes a database as it was before a migration. */
async function undoTo(file: DataSource, name: string): Promise<void> {
  const all: string[] = migrations.map((migration) => new migration().name).reverse();
  for (const _ of all.slice(0, all.indexOf(name) + 1)) await file.undoLastMigration();
}

const answersOf = async (caller: Caller) =>
  Promise.all(views.map(async (view) => (await caller.call('GET', view)).json() as Promise<unknown>));

test('a database from before there were scopes is taken over, and every view answers as before', async () => {
  const first = await startServer({ now });
  const ines = await signedIn(first.address);
  await makeClass(ines, 'boats', { ann: 'Ann', bo: 'Bo' });
  const { standing, lookFor } = (await (await ines.call('GET', '/api/setup')).json()) as {
    standing: { id: string }[];
    lookFor: { id: string }[];
  };
  const note = {
    at,
    happenedAt: null,
    lesson,
    sectionId: 'boats',
    place: '',
    doubts: [],
    lookAgainOn: '2026-11-30',
  };
  const topic = { id: 'topic1', name: 'Knots', trouble: true, alsoCalled: [], marks: [] };
  const tally = { id: 't1', studentId: 'bo', lookForId: lookFor[0]!.id, at, amount: 1, circleId: null };
  await send(ines, [
    change('roll.mark', {
      lesson,
      marks: [{ studentId: 'ann', standingId: standing[1]!.id, arrivedAt: null, leftAt: null }],
    }),
    change('tally.add', { lesson, tallies: [tally] }),
    change('topic.add', topic),
    ...[true, false].map((own) =>
      change('note.write', {
        ...{ ...note, id: `note${String(own)}`, text: 'Ann helped', own },
        ...{ students: [{ studentId: 'ann', spans: [] }], topics: [{ topicId: 'topic1', spans: [] }] },
      }),
    ),
  ]);
  const counts = { id: 'boats', attendedByWork: true, wholeDayMinutes: null, lessons: [] };
  await send(ines, [ownPiece, change('section.wholeDay', counts)]);
  const log = 'Name,When,Action,Course,Page\nAnn Tanaka,2026-11-18 09:05,opened,Log book,Week 3\n';
  const bytes = new TextEncoder().encode(log);
  const brought = await ines.call('POST', '/api/sections/boats/activity?name=log.csv', bytes);
  const { changeId } = (await brought.json()) as { changeId: string };
  const before = await answersOf(ines);
  await first.stop();
  const options = { type: 'better-sqlite3' as const, entities, migrations };
  const file = await new DataSource({ ...options, database: `${first.folder}/slate-path.db` }).initialize();
  await undoTo(file, 'OwnWork1765800000000');
  await file.destroy();
  const second = await startServer({ now, folder: first.folder });
  const again = await signedIn(second.address, '/api/sign-in');
  expect(await answersOf(again)).toEqual(before);
  // What was done before is taken back after.
  await send(again, [change('undo', { changeId })]);
  const [, , , , , , , , work] = (await answersOf(again)) as { days: unknown[] }[];
  expect(work?.days).toEqual([]);
  await send(again, [
    change('term.set', { id: 'term', name: 'B', startsOn: '2026-11-02', endsOn: '2026-12-04' }),
  ]);
  await second.stop();
});

test('what was done to a task is taken back as what was done to a piece of work', async () => {
  const first = await startServer({ now });
  const ines = await signedIn(first.address);
  await makeClass(ines, 'boats', { ann: 'Ann' });
  await send(ines, [ownPiece]);
  await first.stop();
  const options = { type: 'better-sqlite3' as const, entities, migrations };
  const file = await new DataSource({ ...options, database: `${first.folder}/slate-path.db` }).initialize();
  await undoTo(file, 'OwnWork1765800000000');
  // The log as it was written then: made, then said to be done on another day.
  const task = { title: 'Chart of the bay', sectionId: 'boats', studentId: 'ann', minutes: 40 };
  const edit = { table: 'task', id: 'own', overruled: [] };
  const made = { ...edit, op: 'make', before: null, beforeBy: {}, after: { ...task, doneOn: '2026-11-15' } };
  const days = { before: { doneOn: '2026-11-15' }, after: { doneOn: '2026-11-16' } };
  const moved = { ...edit, op: 'set', ...days, beforeBy: { doneOn: null } };
  const write = 'UPDATE "change" SET "edits" = ? WHERE "id" = ?';
  await file.query(write, [JSON.stringify([made, moved]), ownPiece.id]);
  const stamp = { at, by: ownPiece.id };
  await file.query('UPDATE "task" SET "stamps" = ?', [JSON.stringify({ '*': stamp, doneOn: stamp })]);
  await file.destroy();

  const second = await startServer({ now, folder: first.folder });
  const again = await signedIn(second.address, '/api/sign-in');
  const found = async () => {
    const { work, handIn } = (await (await again.call('GET', '/api/setup')).json()) as Record<
      string,
      unknown[]
    >;
    return { work, handIn };
  };
  expect(await found()).toMatchObject({
    work: [{ id: 'own', studentId: 'ann', title: 'Chart of the bay', removed: false }],
    handIn: [{ id: 'own.ann', status: 'handed_in', handedInAt: '2026-11-16T12:00:00', minutes: 40 }],
  });
  await send(again, [change('undo', { changeId: ownPiece.id })]);
  expect(await found()).toMatchObject({
    work: [{ id: 'own', removed: true }],
    handIn: [{ status: 'handed_in', handedInAt: '2026-11-15T12:00:00', removed: true }],
  });
  await second.stop();
});
