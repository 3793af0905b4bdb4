import { foldName } from '../../people/names';
import type { Tick, TickColumn } from '../../records/schema';
import { titleOf } from '../../work/bring/titleOf';
import type { TickToSet } from '../changes';
import { readNumber, readTick } from '../readTick';
import { nextNumber } from '../sheetTable';
import { tickId } from '../tickId';
import { newColumn, type ReadDay } from './newColumn';
import type { SheetColumn, SheetReading } from './readSheet';

export type Fate = 'new' | 'changed' | 'same';

/** Where a column of the file goes: into one that is there, a new one, or nowhere. */
export type Target = { columnId: string } | 'new' | 'nowhere';

export interface PlannedColumn {
  /** Of the file's columns. */
  index: number;
  heading: string;
  /** Null where it goes nowhere. */
  column: TickColumn | null;
  isNew: boolean;
  fates: Record<Fate, number>;
}

export interface TickPlan {
  columns: PlannedColumn[];
  /** New ones, each once. */
  toMake: TickColumn[];
  ticks: TickToSet[];
  /** Cells that say nothing of their column: left out. */
  problems: { line: number; heading: string; reason: string }[];
}

/** Which cell of a student a column of the file is about; a fee's stand apart. */
type Field = 'value' | 'owes' | 'on';
const endings: readonly (readonly [RegExp, Field])[] = [
  [/^(.*\S)\s+paid on$/i, 'on'],
  [/^(.*\S)\s+paid$/i, 'value'],
  [/^(.*\S)\s+owed$/i, 'owes'],
];

/** "Club fee paid on": what it is about, and what of it; undefined where it does not end so. */
function feePart(heading: string): { base: string; field: Field } | undefined {
  for (const [shape, field] of endings) {
    const base = shape.exec(heading.trim())?.[1];
    if (base !== undefined) return { base, field };
  }
  return undefined;
}

interface Here {
  sectionId: string;
  /** Of this class, with their ids. */
  columns: readonly TickColumn[];
  ticks: Readonly<Record<string, Tick | undefined>>;
  /** By the place of a person in the file. */
  students: ReadonlyMap<number, string>;
  /** By the place of a column in the file, where it was chosen. */
  targets: ReadonlyMap<number, Target>;
  newId: (heading: string) => string;
  readDay: ReadDay;
}

interface Aim {
  column: TickColumn | null;
  isNew: boolean;
  field: Field;
}

/** Into which columns those of a file go, unless it was chosen: into those of the same name, else into new ones. */
function aimsOf({ columns: read }: SheetReading, here: Here): Aim[] {
  const made = new Map<string, TickColumn>();
  const named = (name: string) => here.columns.find((one) => foldName(one.name) === foldName(name));
  const bases = read.flatMap(({ heading }) => feePart(heading) ?? []);
  const isFee = (base: string) =>
    named(base)?.kind === 'fee' || bases.filter((one) => foldName(one.base) === foldName(base)).length > 1;
  const make = (column: SheetColumn, name: string, index: number): TickColumn => {
    const key = name === '' ? `column ${index + 1}` : foldName(name);
    const known = made.get(key);
    if (known) return known;
    const number = nextNumber([...here.columns, ...made.values()]);
    const fresh = newColumn(column, {
      ...{ id: here.newId(key), sectionId: here.sectionId, number, readDay: here.readDay },
      name: name || `Column ${index + 1}`,
    });
    made.set(key, fresh);
    return fresh;
  };
  return read.map((column, index): Aim => {
    const target = here.targets.get(index);
    if (target === 'nowhere') return { column: null, isNew: false, field: 'value' };
    const part = feePart(column.heading);
    const fee = part && isFee(part.base) ? part : undefined;
    const field = fee?.field ?? 'value';
    if (target !== undefined && target !== 'new') {
      const chosen = here.columns.find(({ id }) => id === target.columnId) ?? null;
      return { column: chosen, isNew: false, field: chosen?.kind === 'fee' ? field : 'value' };
    }
    const { title } = titleOf(column.heading.trim());
    const there = target === 'new' ? undefined : (named(column.heading) ?? named(fee?.base ?? title));
    if (there) return { column: there, isNew: false, field: there.kind === 'fee' ? field : 'value' };
    const fresh = make(column, fee?.base ?? title, index);
    if (fee) fresh.kind = 'fee';
    return { column: fresh, isNew: true, field };
  });
}

type Said = Partial<Pick<Tick, 'value' | 'owes' | 'on' | 'exempt'>> | { problem: string };

function saidOf({ column, field }: Aim & { column: TickColumn }, written: string, readDay: ReadDay): Said {
  if (field === 'value') return readTick(column, written, readDay);
  const isNone = ['n/a', 'na', '-'].includes(written.toLowerCase());
  if (isNone) return field === 'owes' ? { exempt: true } : {};
  if (field === 'on') {
    const on = readDay(written);
    return on === null ? { problem: `“${written}” is no day` } : { on };
  }
  const read = readTick({ ...column, kind: 'fee' }, written, readDay);
  if ('problem' in read) return read;
  const owes = readNumber(read.value ?? '');
  return owes === null ? {} : { owes: owes === column.most ? null : owes };
}

/** An amount most owe is what the column asks; a new fee has it of its file. */
function settleFees(reading: SheetReading, aims: readonly Aim[]): void {
  for (const [index, { column, isNew, field }] of aims.entries()) {
    if (!column || !isNew || field !== 'owes') continue;
    const amounts = (reading.columns[index]?.cells ?? []).flatMap(({ written }) => readNumber(written) ?? []);
    const times = new Map<number, number>();
    for (const one of amounts) times.set(one, (times.get(one) ?? 0) + 1);
    column.most = [...times].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
  }
}

/**
 * What becomes of a table of small things beside what is here. An empty cell says nothing, and what stood there stays.
 * @param here the class's columns and ticks, who the people of the file are, and where its columns go
 */
export function planTicks(reading: SheetReading, here: Here): TickPlan {
  const aims = aimsOf(reading, here);
  settleFees(reading, aims);
  const ticks = new Map<string, TickToSet>();
  const problems: TickPlan['problems'] = [];
  const columns = reading.columns.map(({ heading, cells }, index): PlannedColumn => {
    const aim = aims[index];
    const fates = { new: 0, changed: 0, same: 0 };
    const column = aim?.column ?? null;
    if (aim && column)
      for (const { person, line, written } of cells) {
        const studentId = here.students.get(person);
        if (studentId === undefined) continue;
        const said = saidOf({ ...aim, column }, written, here.readDay);
        if ('problem' in said) {
          problems.push({ line, heading, reason: said.problem });
          continue;
        }
        const id = tickId(column.id, studentId);
        const kept = here.ticks[id];
        const stands = kept && !kept.removed ? kept : { value: null, on: null, owes: null, exempt: false };
        const changed = Object.entries(said).filter(
          ([key, value]) => stands[key as keyof typeof stands] !== value,
        );
        const isThere = stands.value !== null || stands.exempt || stands.on !== null || stands.owes !== null;
        fates[changed.length === 0 ? 'same' : isThere ? 'changed' : 'new'] += 1;
        if (changed.length > 0)
          ticks.set(id, { ...ticks.get(id), columnId: column.id, studentId, ...Object.fromEntries(changed) });
      }
    return { index, heading, column, isNew: aim?.isNew ?? false, fates };
  });
  const toMake = [
    ...new Map(aims.flatMap(({ column, isNew }) => (isNew && column ? [[column.id, column]] : []))).values(),
  ];
  return { columns, toMake, ticks: [...ticks.values()], problems };
}
