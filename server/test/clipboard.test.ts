import { layoutOf } from '@slate-path/core/people/room/layouts';
import { boxesOfPdf, sheetsOfPdf, textOfPdf } from './pdfText';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

let server: TestServer;
let ines: Caller;

const given = ['Ada', 'Bo', 'Caoimhe', 'Dílis', 'Emre', 'Fatimah-Zahra'];
const people = Object.fromEntries(
  Array.from({ length: 36 }, (_, at) => [`s${at}`, `${given[at % given.length] ?? ''}${at}`]),
);
const ids = Object.keys(people);
const lesson = { id: 'boats1', sectionId: 'boats', date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };

beforeAll(async () => {
  server = await startServer({ now: '2026-11-23T12:00:00Z' });
  ines = await signedIn(server.address);
  await makeClass(ines, 'boats', people);
  await makeClass(ines, 'knots', { kit: 'Kittiwake' }, 'k');
  const seats = layoutOf('pairs', ids.length);
  const places = seats.map((seat, at) => ({ ...seat, studentId: ids[at] ?? '' }));
  await send(ines, [
    change('room.set', {
      id: 'plan',
      sectionId: 'boats',
      name: 'Pairs',
      seats,
      places,
      startsOn: '2026-11-02',
    }),
    change('tickColumn.set', {
      columns: [
        {
          ...{
            id: 'rules',
            sectionId: 'boats',
            name: 'Safety rules',
            kind: 'ofMany',
            number: 3,
            dueOn: null,
          },
          ...{ legend: 'of eight', most: 8, unit: '', choices: [], shown: false },
        },
      ],
    }),
    change('tick.set', { ticks: [{ columnId: 'rules', studentId: 's7', value: '5' }] }),
  ]);
});
afterAll(() => server.stop());

const wish = {
  ...{ sectionIds: ['boats'], shape: 'plan', rows: 2, columns: 5, contents: 'lines', filled: false },
  ...{ date: '2026-11-23', back: false, paper: 'A4', order: 'given' },
};
const made = (more: object = {}) => ines.call('POST', '/api/clipboard-pages', { ...wish, ...more });
const pdf = async (more: object = {}) => new Uint8Array(await (await made(more)).arrayBuffer());

test.each([
  ['A4', { width: 297, height: 210 }],
  ['Letter', { width: 279.4, height: 215.9 }],
])(
  '36 students who sit in pairs stand on one sheet of %s with ten boxes of at least 5 mm, whole names',
  async (paper, size) => {
    const page = await pdf({ paper });
    const text = textOfPdf(page);
    for (const name of Object.values(people)) expect(text).toContain(name);
    expect(sheetsOfPdf(page).pages).toBe(1);
    const boxes = boxesOfPdf(page);
    expect(boxes).toHaveLength(360);
    for (const { x, y, width, height } of boxes) {
      expect(Math.min(width, height)).toBeGreaterThanOrEqual(4.99);
      expect(Math.min(x, y, size.width - x - width, size.height - y - height)).toBeGreaterThan(5);
    }
  },
);

test('the list: a line each, thirty boxes; a class after another; too many boxes are told', async () => {
  const page = await pdf({ shape: 'list', rows: 1, columns: 30, sectionIds: ['boats', 'knots'] });
  expect(sheetsOfPdf(page).pages).toBe(2);
  expect(textOfPdf(page)).toMatch(/Boats, [^]*Kittiwake Tanaka/);
  expect(
    Math.min(...boxesOfPdf(page).flatMap(({ width, height }) => [width, height])),
  ).toBeGreaterThanOrEqual(4.99);
  const refused = await made({ rows: 6, columns: 5 });
  expect([refused.status, await refused.text()]).toEqual([422, expect.stringContaining('smaller than 5 mm')]);
  expect((await made({ rows: 6, columns: 6 })).status).toBe(400);
  expect((await made({ sectionIds: ['nowhere'] })).status).toBe(404);
});

test('filled from the tick-sheet, the roll and the tallies of the day, each with what it means', async () => {
  const setup = (await (await ines.call('GET', '/api/setup')).json()) as {
    lookFor: { id: string; name: string; tone: string; position: number; measure: string }[];
    standing: { id: string; countsAs: string; code: string; name: string; excused: boolean }[];
  };
  const away = setup.standing.find(({ countsAs, excused }) => countsAs === 'away' && !excused)!;
  const lookFor = setup.lookFor.find(({ tone, measure }) => tone === 'wanted' && measure === 'count')!;
  const at = '2026-11-23T10:55:00.000Z';
  const tally = { id: 't1', studentId: 's7', lookForId: lookFor.id, at, amount: 4, circleId: null };
  await send(ines, [
    change('roll.mark', {
      ...{ lesson, takenAt: at },
      marks: [{ studentId: 's7', standingId: away.id, arrivedAt: null, leftAt: null }],
    }),
    change('tally.add', { lesson, tallies: [tally] }),
  ]);
  const list = { shape: 'list', rows: 1, columns: 8 };
  /** What is on the page only where it is filled, and all of it. */
  const filledIn = async (contents: string) => {
    const text = textOfPdf(await pdf({ ...list, contents, filled: true }));
    const left = textOfPdf(await pdf({ ...list, contents })).split(/\s+/);
    const more = text.split(/\s+/).filter((word) => {
      const at = left.indexOf(word);
      if (at >= 0) left.splice(at, 1);
      return at < 0;
    });
    return { text, more: more.sort() };
  };
  const ticks = await filledIn('ticks');
  expect(ticks.more).toEqual(['5']);
  expect(ticks.text).toContain('Safety rules: of eight');
  const here = setup.standing.find(({ countsAs }) => countsAs === 'here')!;
  const roll = await filledIn('roll');
  expect(roll.more).toEqual([...Array<string>(35).fill(here.code), away.code].sort());
  expect(roll.text).toContain(`${away.code} ${away.name}`);
  const tallies = await filledIn('tallies');
  expect(tallies.more).toEqual(['4']);
  expect(tallies.text).toContain(lookFor.name);
});
