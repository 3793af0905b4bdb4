import { strFromU8, unzipSync } from 'fflate';
import type { Tick, TickColumn } from '@slate-path/core/records/schema';
import { invited } from './colleagues';
import { textOfPdf } from './pdfText';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const now = '2026-11-23T12:00:00Z';
let server: TestServer;
let ines: Caller;
let asa: Caller;
let cora: Caller;

const column = (id: string, more: Partial<TickColumn> = {}) => ({
  ...{ id, sectionId: 'boats', name: 'Slip', kind: 'tick', number: 1, dueOn: null, legend: 'The blue one' },
  ...{ most: null, unit: '', choices: [], shown: false, ...more },
});
const tick = (columnId: string, studentId: string, more: Partial<Tick>) =>
  change('tick.set', { ticks: [{ columnId, studentId, ...more }] });

beforeAll(async () => {
  server = await startServer({ now });
  ines = await signedIn(server.address);
  await makeClass(ines, 'boats', { ann: 'Ann', bo: 'Bo', cy: 'Cy' });
  asa = await invited(server, ines, { name: 'Asa Quill', role: 'assistant', sectionId: 'boats' });
  cora = await invited(server, ines, { name: 'Cora Lund', role: 'teacher', sectionId: null });
  await send(ines, [
    change('tickColumn.set', {
      columns: [
        column('slip', { shown: true, dueOn: '2026-11-27' }),
        column('fee', { name: 'Boat fee', kind: 'fee', number: 2, most: 12.5, unit: '€' }),
        column('rules', { name: '=Rules', kind: 'ofMany', number: 3, most: 8 }),
      ],
    }),
  ]);
});
afterAll(() => server.stop());

async function outcomeOf(caller: Caller, made: unknown): Promise<string | undefined> {
  const answer = await caller.call('POST', '/api/changes', { changes: [made] });
  const { answers } = (await answer.json()) as { answers: { outcome: string }[] };
  return answers[0]?.outcome;
}

async function held(caller: Caller): Promise<{ columns: string[]; ticks: Record<string, Partial<Tick>> }> {
  const { tickColumn = [], tick: ticks = [] } = (await (await caller.call('GET', '/api/sync')).json()) as {
    tickColumn?: TickColumn[];
    tick?: Tick[];
  };
  const columns = tickColumn.flatMap(({ id, removed }) => (removed ? [] : [id])).sort();
  return { columns, ticks: Object.fromEntries(ticks.map((one) => [one.id, one])) };
}

test('an assistant fills a sheet and does not change its columns; who does not teach the class sees nothing of it', async () => {
  expect(await outcomeOf(asa, tick('slip', 'ann', { value: 'yes', on: '2026-11-23' }))).toBe('applied');
  expect(await outcomeOf(asa, change('tickColumn.set', { columns: [column('own')] }))).toBe('refused');
  expect(await outcomeOf(asa, change('tickColumn.remove', { ids: ['slip'] }))).toBe('refused');
  expect(await outcomeOf(cora, tick('slip', 'bo', { value: 'yes' }))).toBe('refused');
  expect((await held(asa)).columns).toEqual(['fee', 'rules', 'slip']);
  expect(await held(cora)).toEqual({ columns: [], ticks: {} });
});

test('two devices that tick at once both count; of one cell each field has its last word', async () => {
  const both = [tick('slip', 'bo', { value: 'yes' }), tick('fee', 'bo', { value: '10', on: '2026-11-20' })];
  expect(await Promise.all([outcomeOf(ines, both[0]), outcomeOf(asa, both[1])])).toEqual([
    'applied',
    'applied',
  ]);
  await send(ines, [tick('fee', 'bo', { owes: 10 })]);
  await send(asa, [tick('fee', 'bo', { on: '2026-11-21' })]);
  const { ticks } = await held(ines);
  expect(ticks['slip.bo']).toMatchObject({ value: 'yes' });
  expect(ticks['fee.bo']).toMatchObject({ value: '10', owes: 10, on: '2026-11-21' });
});

test('a column that is removed keeps what stands in it, and comes back with it', async () => {
  const removal = change('tickColumn.remove', { ids: ['slip'] });
  await send(ines, [removal]);
  expect((await held(ines)).columns).toEqual(['fee', 'rules']);
  await send(ines, [change('undo', { changeId: removal.id })]);
  const { columns, ticks } = await held(ines);
  expect(columns).toEqual(['fee', 'rules', 'slip']);
  expect(ticks['slip.ann']).toMatchObject({ value: 'yes', removed: false });
});

test('what is no column, and what is too much, is refused', async () => {
  const tried = [
    change('tickColumn.set', { columns: [column('bad', { kind: 'ofMany' })] }),
    change('tickColumn.set', { columns: [column('bad', { kind: 'choice' })] }),
    change('tickColumn.set', { columns: [column('bad', { name: ' ' })] }),
    change('tickColumn.set', { columns: [column('bad', { sectionId: 'nowhere' })] }),
    tick('nowhere', 'ann', { value: 'yes' }),
    tick('slip', 'nobody', { value: 'yes' }),
    tick('slip', 'ann', { value: 'x'.repeat(201) }),
  ];
  for (const one of tried) expect(await outcomeOf(ines, one)).toBe('refused');
});

const file = (format: string) => ines.call('GET', `/api/sections/boats/ticks-file?format=${format}`);

test('the sheet is given out as CSV, workbook and list on paper, with its legend', async () => {
  await send(ines, [tick('rules', 'ann', { value: '7' }), tick('rules', 'cy', { exempt: true })]);
  const csv = (await (await file('csv')).text()).replace('\uFEFF', '').split('\r\n');
  expect(csv).toEqual([
    "Student,E-mail,Slip,Boat fee owed,Boat fee paid,Boat fee paid on,'=Rules (8)",
    'Ann Tanaka,,yes,12.5,,,7',
    'Bo Tanaka,,yes,10,10,2026-11-21,',
    'Cy Tanaka,,,12.5,,,n/a',
    '',
  ]);
  const book = unzipSync(new Uint8Array(await (await file('xlsx')).arrayBuffer()));
  const strings = strFromU8(book['xl/sharedStrings.xml']!);
  expect(strings).toContain('The blue one');
  const paper = textOfPdf(new Uint8Array(await (await file('pdf')).arrayBuffer()));
  expect(paper).toMatch(/Boats: tick-sheet[^]*Bo Tanaka[^]*So many of 8/);
});

test('a receipt says what was paid, when and what is left; where nothing was paid there is none', async () => {
  await send(ines, [tick('fee', 'ann', { value: '5', on: '2026-11-20' })]);
  const receipts = (query: string) => ines.call('GET', `/api/tick-columns/fee/receipts${query}`);
  const one = textOfPdf(new Uint8Array(await (await receipts('?studentId=ann')).arrayBuffer()));
  expect(one).toMatch(/Boat fee, Boats[^]*Ann Tanaka[^]*5\s*€[^]*20 November 2026[^]*7\.50 €/);
  expect(one).not.toContain('Bo Tanaka');
  const all = textOfPdf(new Uint8Array(await (await receipts('?paper=Letter')).arrayBuffer()));
  expect(all).toContain('Bo Tanaka');
  expect((await receipts('?studentId=cy')).status).toBe(404);
  expect((await cora.call('GET', '/api/tick-columns/fee/receipts')).status).toBe(404);
});

test('students see what is shown to them, and nothing of the rest', async () => {
  const settings = {
    ...{ presence: true, circles: false, nods: false, work: false, weather: false, words: false },
    language: 'de',
  };
  const preview = async (studentId: string) => {
    const answer = await ines.call('POST', '/api/sections/boats/own-view/preview', { settings, studentId });
    return ((await answer.json()) as { html: string }).html;
  };
  expect(await preview('ann')).toMatch(/Was eingesammelt wird[^]*Slip[^]*erledigt/);
  const owing = await preview('cy');
  expect(owing).toMatch(/Slip[^]*fehlt[^]*27\. November/);
  expect(owing).not.toMatch(/Boat fee|Rules/);
});
