import type { Browser, Page } from 'puppeteer-core';
import { faultsOf } from '../src/accessible';
import { control, openBrowser, openPage, saved, says, tap, textOf, type } from '../src/browser';
import { change, makeClassroom, send, teacher, type Classroom } from '../src/classroom';
import { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let ines: Page;
let bela: Page;
let room: Classroom;

const passphrase = 'seven grey herons';

beforeAll(async () => {
  server = await RestartableServer.create();
  await server.start('2026-11-23T10:44:00Z', 'runs');
  room = await makeClassroom(server.address, 5);
  browser = await openBrowser();
  ines = await openPage(browser, 'wide');
  // A person has a browser of their own.
  bela = await openPage(await browser.createBrowserContext(), 'phone');
  await ines.goto(server.address);
  await type(ines, 'Your name', teacher.name);
  await type(ines, 'Passphrase', teacher.passphrase);
  await tap(ines, 'Sign in');
  await says(ines, 'Boat Workshop');
});
afterAll(async () => {
  await browser.close();
  await server.end('SIGTERM');
});

/** Whether anything of the class is left on a device, in the page or in what it keeps. */
const bytesOfClass = (page: Page) =>
  page.evaluate(`(async () => {
    const settled = (asked) => new Promise((resolve, reject) => {
      asked.onsuccess = () => resolve(asked.result);
      asked.onerror = () => reject(asked.error);
    });
    let bytes = 0;
    for (const { name } of await indexedDB.databases()) {
      const db = await settled(indexedDB.open(name));
      for (const store of ['records', 'answers'])
        for (const kept of await settled(db.transaction(store).objectStore(store).getAll())) {
          const text = JSON.stringify(kept);
          if (text.includes('Pupil') || text.includes(${JSON.stringify(room.sectionId)})) bytes += text.length;
        }
      db.close();
    }
    return bytes;
  })()`) as Promise<number>;

const until = async (condition: () => Promise<boolean>, within: number) => {
  const begun = Date.now();
  while (!(await condition())) {
    if (Date.now() - begun > within) return false;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return true;
};

test('a colleague is invited to a class by a link, and comes in on the phone', async () => {
  await ines.goto(`${server.address}/classes/${room.sectionId}`);
  await tap(ines, 'Set up');
  await tap(ines, 'Colleagues in this class');
  await tap(ines, 'Invite somebody new');
  await type(ines, 'Whom you invite', 'Bela Roth');
  const answered = ines.waitForResponse(
    (response) => response.url().endsWith('/api/invitations') && response.request().method() === 'POST',
  );
  await tap(ines, 'Make the link');
  const { token } = (await (await answered).json()) as { token: string };
  await says(ines, 'Send this link to Bela Roth');
  await bela.goto(`${server.address}/join/${token}`);
  await says(bela, 'Welcome to Tern Rock');
  await says(bela, 'Ines Halloran invites you as a teacher, and to Boat Workshop');
  await type(bela, 'Passphrase', 'short');
  await tap(bela, 'Come in');
  await says(bela, 'A passphrase has at least 10 characters');
  await type(bela, 'Passphrase', passphrase);
  await tap(bela, 'Come in');
  await says(bela, 'Pupil01');
  await ines.goto(`${server.address}/join/${token}`);
  await says(ines, 'This invitation has been used already');
});

test('both take one roll at once, and each sees what the other marks', async () => {
  await ines.goto(server.address);
  await says(ines, 'Pupil05');
  const markOn = async (page: Page, name: string) =>
    (await control(page, name)).evaluate((node) => node.getAttribute('aria-label') ?? '');
  await Promise.all([tap(ines, 'Pupil01'), tap(bela, 'Pupil02')]);
  expect(await until(async () => (await markOn(bela, 'Pupil01')).includes(': away. '), 15_000)).toBe(true);
  expect(await until(async () => (await markOn(ines, 'Pupil02')).includes(': away. '), 15_000)).toBe(true);
  const { lesson, mark } = await room.client.get<{ lesson: unknown[]; mark: { standingId: string }[] }>(
    '/api/days/2026-11-23',
  );
  const away = room.standings.find(({ code }) => code === 'A')?.id;
  const gone = mark.filter(({ standingId }) => standingId === away).length;
  expect([lesson.length, gone]).toEqual([1, 2]);
});

test('a colleague’s own notes stay theirs; of the class’s notes both read', async () => {
  const note = (id: string, text: string, own: boolean) =>
    change('note.write', {
      ...{ id, text, own, at: '2026-11-23T10:45:00.000Z', happenedAt: null, lesson: null, place: '' },
      ...{ sectionId: room.sectionId, doubts: [], students: [], topics: [], lookAgainOn: null },
    });
  const answers = await send(room.client, [
    note('notehere1', 'The oars are numbered', false),
    note('noteown1', 'I was too loud today', true),
  ]);
  expect(answers.map(({ outcome }) => outcome)).toEqual(['applied', 'applied']);
  await bela.goto(`${server.address}/notes`);
  await says(bela, 'The oars are numbered');
  expect(await textOf(bela)).not.toContain('too loud');
});

test('when the share ends, nothing of the class is left on the other device within two seconds', async () => {
  await bela.goto(server.address);
  await says(bela, 'Pupil01');
  expect(await bytesOfClass(bela)).toBeGreaterThan(0);
  await ines.goto(`${server.address}/desk/colleagues`);
  await tap(ines, 'Share Boat Workshop');
  await tap(ines, 'End what Bela Roth is in this class');
  expect(await until(async () => (await bytesOfClass(bela)) === 0, 2500)).toBe(true);
  expect(await textOf(bela)).not.toContain('Pupil01');
});

test('at the next start too, and what waits in the outbox is told and kept as words', async () => {
  const { teachers } = await shareAgain();
  expect(teachers).toBe(2);
  await says(bela, 'Pupil03');
  await bela.setOfflineMode(true);
  await tap(bela, 'Pupil03');
  await tap(bela, 'Write a note');
  await type(bela, 'Note', 'Knots are hard for the left-handed');
  await tap(bela, 'Keep the note');
  await says(bela, 'kept on this device');
  await endAgain();
  await bela.setOfflineMode(false);
  await bela.goto(server.address);
  await says(bela, 'refused');
  expect(await until(async () => (await bytesOfClass(bela)) === 0, 5000)).toBe(true);
  await tap(bela, '2 refused');
  await says(bela, 'Marks on a roll');
  await says(bela, '“Knots are hard for the left-handed”');
  await tap(bela, 'Leave it out');
  await tap(bela, 'Leave it out');
  await tap(bela, 'Close');
  await saved(bela);
});

test('a cover’s day: the roll, and no notes; on the next day nothing of the class is left', async () => {
  const personId = belaIn(await colleagues());
  const day = { startsOn: '2026-11-23', endsOn: '2026-11-23' };
  await room.client.postJson(`/api/sections/${room.sectionId}/teachings`, {
    personId,
    role: 'cover',
    ...day,
  });
  await bela.goto(server.address);
  await tap(bela, 'Pupil04');
  await saved(bela);
  await bela.goto(`${server.address}/notes`);
  await says(bela, 'Notes');
  expect(await textOf(bela)).not.toContain('The oars are numbered');
  await server.end('SIGTERM');
  await server.start('2026-11-24T08:00:00Z', 'runs');
  await bela.goto(server.address);
  expect(await until(async () => (await bytesOfClass(bela)) === 0, 5000)).toBe(true);
  expect(await textOf(bela)).not.toContain('Pupil04');
  const { mark } = await room.client.get<{ mark: { studentId: string }[] }>('/api/days/2026-11-23');
  expect(mark.map(({ studentId }) => studentId)).toContain(room.studentIds[3]);
});

test('a colleague’s student joins as one person; whoever the path is given to reads all of it', async () => {
  await bela.goto(`${server.address}/people`);
  await tap(bela, 'Add a class');
  await type(bela, 'Name', 'Clay');
  await tap(bela, 'Add the class');
  await tap(bela, 'Bring a roster');
  await type(bela, 'Or paste the roster here', 'Name\nPupil01 Abara\nZora Quill');
  await tap(bela, 'Read what I pasted');
  await tap(bela, 'Is Pupil01 Abara in Ines Halloran’s Boat Workshop');
  await tap(bela, 'Accept 2 rows');
  await says(bela, 'Pupil01 Abara');
  const { token } = await room.client.postJson<{ token: string }>('/api/invitations', {
    ...{ name: 'Hela Brandt', role: 'reader', sectionId: null },
  });
  const hela = await openPage(await browser.createBrowserContext(), 'phone');
  await hela.goto(`${server.address}/join/${token}`);
  await type(hela, 'Passphrase', passphrase);
  await tap(hela, 'Come in');
  await says(hela, 'No path is given to you');
  await ines.goto(`${server.address}/students/${room.studentIds[0] ?? ''}?page=shared`);
  await tap(ines, 'Give the path of Pupil01');
  await tap(ines, 'Hela Brandt, reader');
  await tap(ines, 'Give it to Hela Brandt');
  await tap(hela, 'Open the path of Pupil01');
  await says(hela, 'Boat Workshop with Ines Halloran');
  await says(hela, 'Clay with Bela Roth');
  expect(await faultsOf(hela)).toEqual([]);
  await tap(ines, 'Take the path back from Hela');
  await says(hela, 'not given to you');
  expect(await until(async () => (await bytesOfClass(hela)) === 0, 2500)).toBe(true);
});

interface Colleagues {
  members: { id: string; name: string }[];
  teachings: { id: string; personId: string; sectionId: string }[];
}
const colleagues = () => room.client.get<Colleagues>('/api/colleagues');
const belaIn = ({ members }: Colleagues) => members.find(({ name }) => name === 'Bela Roth')?.id ?? '';

async function shareAgain(): Promise<{ teachers: number }> {
  const personId = belaIn(await colleagues());
  const body = { personId, role: 'teacher', startsOn: null, endsOn: null };
  await room.client.postJson(`/api/sections/${room.sectionId}/teachings`, body);
  return { teachers: (await colleagues()).teachings.length };
}

async function endAgain(): Promise<void> {
  const found = await colleagues();
  const own = found.teachings.find(({ personId }) => personId === belaIn(found));
  await room.client.postJson(`/api/teachings/${own?.id ?? ''}/end`, {});
}
