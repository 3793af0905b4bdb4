import { unzipSync } from 'fflate';
import Papa from 'papaparse';
import { z } from 'zod';
import { Zone } from '../../records/values';
import { unguardFormulas } from '../../formats/formulas';
import type { ArchiveError } from './archiveError';
import { findContradictions } from './contradictions';
import {
  archiveTableNames,
  archiveTables,
  formulaGuard,
  isText,
  type Archive,
  type ArchiveTable,
  type ArchiveTableName,
} from './tables';

export interface ArchiveReading {
  archive: Archive;
  /** IANA name of the zone of its local times, where the package says one that is known. */
  timezone: string | null;
  errors: ArchiveError[];
  /** What was set aside and is no error: columns and files that the format does not know. */
  notes: string[];
}

/** A file that is no archive at all, with a sentence that says why. */
export class NotAnArchive extends Error {}

export const largestArchiveBytes = 100_000_000;
/** All of it has to be held in memory while it is read. */
const largestUnpackedBytes = 200_000_000;
const mostErrors = 100;

/** The files wanted from a zip, by name. What it says it unpacks to is added up before any of it is unpacked. */
function unpack(bytes: Uint8Array): Record<string, Uint8Array> {
  if (bytes.length === 0) throw new NotAnArchive('the file is empty.');
  if (bytes.length > largestArchiveBytes) throw new NotAnArchive('the file is over 100 MB.');
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b)
    throw new NotAnArchive('this is no archive: an archive is a zip with a datapackage.json in it.');
  let unpacked = 0;
  const wanted = new Set(['datapackage.json', ...archiveTableNames.map((name) => `${name}.csv`)]);
  const names: string[] = [];
  try {
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        unpacked += originalSize;
        names.push(name);
        return false;
      },
    });
    if (unpacked > largestUnpackedBytes)
      throw new NotAnArchive('it unpacks to over 200 MB; an archive does not. Nothing was unpacked.');
    const files = unzipSync(bytes, { filter: ({ name }) => wanted.has(name) });
    for (const name of names) files[name] ??= new Uint8Array();
    return files;
  } catch (error) {
    if (error instanceof NotAnArchive) throw error;
    throw new NotAnArchive('the zip is damaged and cannot be read.');
  }
}

class Problems {
  readonly errors: ArchiveError[] = [];

  add(file: string, line: number | null, reason: string): void {
    if (this.errors.length < mostErrors) this.errors.push({ file, line, reason });
  }
}

/** The records of a file, each with the line on which it begins; what stands in quotes stays as it is. */
function recordsOf(text: string): { header: string[]; rows: { line: number; cells: string[] }[] } {
  const rows: { line: number; cells: string[] }[] = [];
  const body = text.replace(/^\uFEFF/, '');
  let line = 1;
  let cursor = 0;
  Papa.parse<string[]>(body, {
    delimiter: ',',
    step: ({ data, meta }) => {
      if (data.some((cell) => cell !== '')) rows.push({ line, cells: data });
      line += (body.slice(cursor, meta.cursor).match(/\r\n?|\n/g) ?? []).length;
      cursor = meta.cursor;
    },
  });
  const header = rows.shift()?.cells.map((cell) => cell.trim()) ?? [];
  return { header, rows };
}

function textOf(bytes: Uint8Array, file: string, problems: Problems): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    problems.add(file, null, 'is not UTF-8');
    return '';
  }
}

/** Columns without which no row can be understood: those that may not be empty. */
function requiredColumns(name: ArchiveTableName): string[] {
  return Object.entries(archiveTables[name].row.shape)
    .filter(([, cell]) => !(cell as z.ZodType).safeParse('').success)
    .map(([column]) => column);
}

/** Rows of one table, each checked by itself; of two with the same key, the second is an error. */
function readTable(
  name: ArchiveTableName,
  bytes: Uint8Array,
  isGuarded: boolean,
  problems: Problems,
  notes: string[],
): unknown[] {
  const file = `${name}.csv`;
  const { row: schema, key } = archiveTables[name] as unknown as ArchiveTable;
  const { header, rows } = recordsOf(textOf(bytes, file, problems));
  const columns = Object.keys(schema.shape);
  const textual = new Set(columns.filter((column) => isText(schema.shape[column] as z.ZodType)));
  const cellOf = (column: string, cells: string[]) => {
    const cell = cells[header.indexOf(column)] ?? '';
    return isGuarded && textual.has(column) ? unguardFormulas(cell) : cell;
  };
  const missing = rows.length > 0 ? requiredColumns(name).filter((column) => !header.includes(column)) : [];
  for (const column of missing) problems.add(file, 1, `there is no column ${column}`);
  if (missing.length > 0) return [];
  const unknown = header.filter((column) => !columns.includes(column));
  if (unknown.length > 0) notes.push(`${file}: kept aside, unknown here: ${unknown.join(', ')}`);
  const lineOf = new Map<string, number>();
  return rows.flatMap(({ line, cells }) => {
    if (cells.length > header.length) {
      problems.add(file, line, `has ${cells.length} cells under ${header.length} columns`);
      return [];
    }
    const read = schema.safeParse(
      Object.fromEntries(columns.map((column) => [column, cellOf(column, cells)])),
    );
    if (!read.success) {
      const [issue] = read.error.issues;
      problems.add(file, line, `${issue?.path.join('.') ?? ''} ${issue?.message ?? 'cannot be read'}`);
      return [];
    }
    const found = JSON.stringify(key.map((column) => read.data[column]));
    const before = lineOf.get(found);
    if (key.length > 0 && before !== undefined) {
      problems.add(file, line, `says again what stands on line ${before} (${key.join(', ')})`);
      return [];
    }
    lineOf.set(found, line);
    return [{ ...read.data, line }];
  });
}

type AnyRow = Record<string, unknown> & { line: number };

function checkPointers(archive: Archive, problems: Problems): void {
  const ids = (name: ArchiveTableName) =>
    new Set((archive[name] as unknown as { id?: string }[]).map((row) => row.id));
  for (const name of archiveTableNames) {
    const { pointsAt } = archiveTables[name] as unknown as ArchiveTable;
    for (const [column, target] of Object.entries(pointsAt)) {
      const known = ids(target);
      for (const row of archive[name] as unknown as AnyRow[]) {
        const id = row[column] as string | null;
        if (id !== null && !known.has(id))
          problems.add(`${name}.csv`, row.line, `${column} ${id} is not in ${target}.csv`);
      }
    }
  }
}

const Descriptor = z.object({
  timezone: z.string().optional(),
  formulaGuard: z.string().optional(),
  resources: z.array(z.object({ path: z.union([z.string(), z.array(z.string())]).optional() })).default([]),
});

/**
 * Files that the description of the package names and that are not in the zip are errors.
 * @returns its time zone, and whether formulas are guarded in its cells
 */
function checkDescription(
  files: Record<string, Uint8Array>,
  problems: Problems,
): { timezone: string | null; isGuarded: boolean } {
  const file = 'datapackage.json';
  try {
    const description = Descriptor.parse(JSON.parse(textOf(files[file] ?? new Uint8Array(), file, problems)));
    for (const path of description.resources.flatMap((resource) => resource.path ?? []))
      if (!(path in files)) problems.add(file, null, `names ${path}, which is not in the zip`);
    const { timezone = null } = description;
    const isKnown = timezone === null || Zone.safeParse(timezone).success;
    if (!isKnown) problems.add(file, null, `timezone ${timezone} is not known`);
    return { timezone: isKnown ? timezone : null, isGuarded: description.formulaGuard === formulaGuard };
  } catch {
    problems.add(file, null, 'is no description of a data package');
  }
  return { timezone: null, isGuarded: false };
}

/**
 * Reads an archive: a Tabular Data Package in a zip.
 * @returns what could be read, every error with its file and line (at most 100), and what was set aside
 * @throws NotAnArchive for what is no such zip
 */
export function readArchive(bytes: Uint8Array): ArchiveReading {
  const files = unpack(bytes);
  if (!files['datapackage.json'])
    throw new NotAnArchive('there is no datapackage.json in this zip, so it is no archive.');
  const problems = new Problems();
  const { timezone, isGuarded } = checkDescription(files, problems);
  const notes = Object.keys(files)
    .filter((name) => name !== 'datapackage.json' && !name.endsWith('/'))
    .filter((name) => !(archiveTableNames as string[]).includes(name.replace(/\.csv$/, '')))
    .map((name) => `${name}: kept aside, no file of the format`);
  const archive = Object.fromEntries(
    archiveTableNames.map((name) => {
      const file = files[`${name}.csv`];
      return [name, file ? readTable(name, file, isGuarded, problems, notes) : []];
    }),
  ) as unknown as Archive;
  // Rows that could not be read are missing for those that point at them: one error at a time.
  if (problems.errors.length === 0) checkPointers(archive, problems);
  for (const { file, line, reason } of findContradictions(archive)) problems.add(file, line, reason);
  return { archive, timezone, errors: problems.errors, notes };
}
