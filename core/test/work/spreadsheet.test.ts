import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { middleHalf } from '../../src/statistics/middleHalf';
import { digestOf, type Handed, type Piece } from '../../src/work/digest';

/** A spreadsheet program (Debian's package libreoffice-calc), where the machine has one. */
const office = 'soffice';
const isThere = spawnSync(office, ['--version'], { stdio: 'ignore' }).status === 0;

const asOf = '2026-11-23T12:00:00';
const due = ['2026-11-09T08:30:00', '2026-11-16T08:30:00', '2026-11-23T08:30:00', '2026-11-23T18:00:00'];
const points = [20, 7.5, 40, 10];
const students = Array.from({ length: 11 }, (_, index) => `s${index}`);
const work: Piece[] = due.map((dueAt, index) => ({
  ...{ id: `w${index}`, title: `Log ${index}`, assignedAt: null },
  ...{ dueAt, points: points[index] ?? null },
}));

const day = 86_400_000;
const momentOf = (instant: number) => new Date(instant).toISOString().slice(0, 19);
const instantOf = (moment: string) => Date.parse(`${moment}Z`);

/** One student's part of one piece, with something of everything: early, to the second, late, missing, excused, nothing known. */
function handInOf(student: number, piece: number): Handed | null {
  const turn = (student * 5 + piece * 3) % 11;
  if (turn === 0) return null;
  const ids = { workId: `w${piece}`, studentId: `s${student}`, handedBackAt: null, score: null };
  if (turn === 1) return { ...ids, status: 'excused', handedInAt: null };
  if (turn === 2) return { ...ids, status: 'missing', handedInAt: null };
  const handedIn = instantOf(due[piece] ?? '') + (turn - 6) * 0.37 * day * (turn === 6 ? 0 : 1);
  const back = handedIn + (1 + turn * 0.81) * day;
  return {
    ...ids,
    ...{ status: 'handed_in', handedInAt: momentOf(handedIn) },
    handedBackAt: turn % 4 === 0 ? null : momentOf(back),
    score: turn % 5 === 0 ? null : Math.round((points[piece] ?? 0) * (turn / 11) * 4) / 4,
  };
}

interface Row {
  student: number;
  piece: number;
  part: Handed | null;
}
const rows: Row[] = students.flatMap((_, student) =>
  work.map((__, piece) => ({ student, piece, part: handInOf(student, piece) })),
);

type Cell = string | number | null;
/** A sheet of numbers, texts and formulas (which begin with `=`) as one open document file. */
function sheetOf(table: readonly Cell[][]): string {
  const cellOf = (cell: Cell) => {
    if (cell === null) return '<table:table-cell/>';
    if (typeof cell === 'number')
      return `<table:table-cell office:value-type="float" office:value="${cell}"/>`;
    const text = cell.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;');
    return cell.startsWith('=')
      ? `<table:table-cell table:formula="of:${text}"/>`
      : `<table:table-cell office:value-type="string"><text:p>${text}</text:p></table:table-cell>`;
  };
  const body = table.map((row) => `<table:table-row>${row.map(cellOf).join('')}</table:table-row>`).join('');
  const names = [
    ['office', '1.0'],
    ['table', '1.0'],
    ['text', '1.0'],
    ['of', '1.2'],
  ]
    .map(([name, version]) => `xmlns:${name}="urn:oasis:names:tc:opendocument:xmlns:${name}:${version}"`)
    .join(' ');
  return `<?xml version="1.0"?><office:document ${names} office:version="1.3" office:mimetype="application/vnd.oasis.opendocument.spreadsheet"><office:body><office:spreadsheet><table:table table:name="S">${body}</table:table></office:spreadsheet></office:body></office:document>`;
}

/** What the program makes of a sheet's cells, as it shows them. */
function calculated(table: readonly Cell[][]): string[][] {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-sheet-'));
  fs.writeFileSync(path.join(folder, 'sheet.fods'), sheetOf(table));
  const profile = `-env:UserInstallation=file://${folder}/profile`;
  const made = spawnSync(
    office,
    [profile, '--headless', '--convert-to', 'csv', '--outdir', folder, path.join(folder, 'sheet.fods')],
    { encoding: 'utf8' },
  );
  if (made.status !== 0) throw new Error(made.stderr);
  const lines = fs.readFileSync(path.join(folder, 'sheet.csv'), 'utf8').trim().split('\n');
  fs.rmSync(folder, { recursive: true });
  return lines.map((line) => line.split(','));
}

const cellsOf = ({ student, piece, part }: Row): Cell[] => [
  student,
  piece,
  instantOf(due[piece] ?? '') / 1000,
  points[piece] ?? null,
  part?.status ?? 'nothing',
  part?.handedInAt ? instantOf(part.handedInAt) / 1000 : null,
  part?.handedBackAt ? instantOf(part.handedBackAt) / 1000 : null,
  part?.score ?? null,
];

const statuses = ['on_time', 'late', 'missing', 'excused', 'not_due', 'unknown'] as const;

(isThere ? test : test.skip)(
  'statuses, medians, middle half and weighted averages are those of a spreadsheet program',
  () => {
    const now = instantOf(asOf) / 1000;
    const last = rows.length;
    const table = rows.map((row, index): Cell[] => {
      const n = index + 1;
      const isIn = `AND([.E${n}]="handed_in";[.F${n}]<=${now})`;
      const isBack = `AND(${isIn};ISNUMBER([.G${n}]);[.G${n}]<=${now})`;
      return [
        ...cellsOf(row),
        `=IF([.E${n}]="excused";"excused";IF(${isIn};IF([.F${n}]<=[.C${n}];"on_time";"late");IF([.C${n}]>${now};"not_due";IF([.E${n}]="nothing";"unknown";"missing"))))`,
        `=IF(${isBack};([.G${n}]-[.F${n}])/86400;"")`,
        `=IF(AND(ISNUMBER([.H${n}]);${isIn};OR(NOT(ISNUMBER([.G${n}]));[.G${n}]<=${now}));[.H${n}];"")`,
        `=IF(ISNUMBER([.K${n}]);100*[.K${n}]/[.D${n}];"")`,
        `=IF(ISNUMBER([.K${n}]);[.D${n}];"")`,
      ];
    });
    const range = (column: string) => `[.${column}1:.${column}${last}]`;
    const of = (which: 'A' | 'B', index: number, column: string) =>
      `SUMIFS(${range(column)};${range(which)};${index})`;
    const figures: string[] = [
      `=MEDIAN(${range('J')})`,
      `=AVERAGE(${range('J')})`,
      `=COM.MICROSOFT.QUARTILE.INC(${range('L')};1)`,
      `=COM.MICROSOFT.QUARTILE.INC(${range('L')};3)`,
      ...statuses.map((status) => `=COUNTIF(${range('I')};"${status}")`),
      ...students.map((_, index) => `=100*${of('A', index, 'K')}/${of('A', index, 'M')}`),
    ];
    const found = calculated([...table, ...figures.map((formula) => [formula])]);
    const numbers = found.slice(last).map(([cell = '']) => Number(cell));

    const handIns = rows.flatMap(({ part }) => part ?? []);
    const enrolments = students.map((studentId) => ({ studentId, startsOn: null, endsOn: null }));
    const { students: lines, all } = digestOf(
      { enrolments, work, handIns, activity: [] },
      { from: '2026-11-01', to: '2026-11-30', asOf, zone: 'UTC' },
    );
    const percents = found.slice(0, last).flatMap((row) => (row[11] ? [Number(row[11])] : []));
    const half = middleHalf(percents);
    const ours = [
      ...[all.feedbackDaysMedian, all.feedbackDaysMean, half?.from, half?.to],
      ...statuses.map((status) => all[status]),
      ...lines.map(({ percent }) => percent),
    ];
    expect(ours).toHaveLength(numbers.length);
    // Where there is nothing to divide by the program says so, and we say that there is none.
    const shown = (value: number | null | undefined) =>
      value === null || value === undefined || Number.isNaN(value) ? 'none' : value.toFixed(6);
    expect(ours.map(shown)).toEqual(numbers.map(shown));
    expect(statuses.every((status) => all[status] > 0)).toBe(true);
  },
);
