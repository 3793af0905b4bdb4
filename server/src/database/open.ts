import fs from 'node:fs';
import path from 'node:path';
import { setImmediate } from 'node:timers/promises';
import Database from 'better-sqlite3';
import { DataSource, type DataSourceOptions, type EntityManager } from 'typeorm';
import { entities } from './entities';
import { FirstTables1764000000000 } from './migrations/1764000000000-FirstTables';
import { AttendanceRules1764100000000 } from './migrations/1764100000000-AttendanceRules';
import { CheckIns1764300000000 } from './migrations/1764300000000-CheckIns';
import { FinishedWork1764400000000 } from './migrations/1764400000000-FinishedWork';
import { Tallies1764500000000 } from './migrations/1764500000000-Tallies';
import { Sweeps1764600000000 } from './migrations/1764600000000-Sweeps';
import { Notes1764700000000 } from './migrations/1764700000000-Notes';
import { WatchAndWork1764800000000 } from './migrations/1764800000000-WatchAndWork';
import { ReadingByLesson1764900000000 } from './migrations/1764900000000-ReadingByLesson';
import { RoomPlans1765000000000 } from './migrations/1765000000000-RoomPlans';
import { OtherCheckIns1765100000000 } from './migrations/1765100000000-OtherCheckIns';
import { ParticipantAnswers1764200000000 } from './migrations/1764200000000-ParticipantAnswers';
import { TimersEnd1765110000000 } from './migrations/1765110000000-TimersEnd';
import { Sessions1765200000000 } from './migrations/1765200000000-Sessions';
import { Erasing1765210000000 } from './migrations/1765210000000-Erasing';
import { Scopes1765300000000 } from './migrations/1765300000000-Scopes';
import { PathGrants1765400000000 } from './migrations/1765400000000-PathGrants';
import { TimetableParts1765500000000 } from './migrations/1765500000000-TimetableParts';
import { ActivityDays1765600000000 } from './migrations/1765600000000-ActivityDays';
import { Feeds1765700000000 } from './migrations/1765700000000-Feeds';
import { OwnWork1765800000000 } from './migrations/1765800000000-OwnWork';
import { CompactActivity1765900000000 } from './migrations/1765900000000-CompactActivity';
import { Letters1766200000000 } from './migrations/1766200000000-Letters';
import { Phrases1766300000000 } from './migrations/1766300000000-Phrases';
import { Nods1766400000000 } from './migrations/1766400000000-Nods';
import { Contact1766500000000 } from './migrations/1766500000000-Contact';
import { Draws1766600000000 } from './migrations/1766600000000-Draws';
import { ShownAddresses1766700000000 } from './migrations/1766700000000-ShownAddresses';
import { Ticks1766800000000 } from './migrations/1766800000000-Ticks';
import { Rooms1766900000000 } from './migrations/1766900000000-Rooms';
import { Sides1767000000000 } from './migrations/1767000000000-Sides';
import { CloseWatch1767100000000 } from './migrations/1767100000000-CloseWatch';
import { OwnView1766100000000 } from './migrations/1766100000000-OwnView';
import { ReaderPages1766000000000 } from './migrations/1766000000000-ReaderPages';
import { Hurried } from './hurried';
import { holdFolder, type LetGo } from './hold';
import { DatabaseError, diskTrouble, reasonOf } from './problems';
import { finishRestore } from './restore';
import { beginAccess } from '../scopes/access';
import { Sql } from './sql';

/** "SLPT" in the header of every file of ours (SQLite's application id, byte 68). */
const applicationId = 0x534c5054;
export const migrations = [
  FirstTables1764000000000,
  AttendanceRules1764100000000,
  ParticipantAnswers1764200000000,
  CheckIns1764300000000,
  FinishedWork1764400000000,
  Tallies1764500000000,
  Sweeps1764600000000,
  Notes1764700000000,
  WatchAndWork1764800000000,
  ReadingByLesson1764900000000,
  RoomPlans1765000000000,
  OtherCheckIns1765100000000,
  TimersEnd1765110000000,
  Sessions1765200000000,
  Erasing1765210000000,
  Scopes1765300000000,
  PathGrants1765400000000,
  TimetableParts1765500000000,
  ActivityDays1765600000000,
  Feeds1765700000000,
  OwnWork1765800000000,
  CompactActivity1765900000000,
  ReaderPages1766000000000,
  OwnView1766100000000,
  Letters1766200000000,
  Phrases1766300000000,
  Nods1766400000000,
  Contact1766500000000,
  Draws1766600000000,
  ShownAddresses1766700000000,
  Ticks1766800000000,
  Rooms1766900000000,
  Sides1767000000000,
  CloseWatch1767100000000,
];

/**
 * The database of a data folder. Writes go through one connection, one after another; reads use
 * their own, so that they never see half a change.
 */
export interface OpenDatabase {
  file: string;
  read: DataSource;
  /** Single look-ups that every request makes. */
  lookUp: Sql;
  /** Writes as one (the one door), after all that was begun before. */
  write<T>(work: (sql: Sql) => T): Promise<T>;
  /**
   * The same for a part of something long: it reaches the disk with the next one that is not a part. Where the power
   * fails before, the last parts are missing, and none between.
   */
  writePart<T>(work: (sql: Sql) => T): Promise<T>;
  /** Who comes to write and is waited for: parts of what is long let them go first. */
  hurried: Hurried;
  /** The same for what is written seldom, through the entities. */
  inTransaction<T>(work: (manager: EntityManager) => Promise<T>): Promise<T>;
  /** Lets something else write to the file: nothing is written here meanwhile. */
  alone<T>(work: () => Promise<T>): Promise<T>;
  /** What is wrong with the disk, as the last write found; null when all is well. */
  trouble(): string | null;
  close(): Promise<void>;
}

/** So long the queue works before whoever came meanwhile has a turn. */
const turnMs = 8;

/**
 * Runs pieces of work one after another: a connection holds one transaction at a time. The database answers at once,
 * so that without a pause nobody else would be served until the queue is empty.
 */
class Queue {
  private last: Promise<unknown> = Promise.resolve();
  private turnBegan = 0;

  run<T>(work: () => Promise<T>): Promise<T> {
    const result = this.last.then(() => this.giveWay()).then(work);
    this.last = result.catch(() => undefined);
    return result;
  }

  private async giveWay(): Promise<void> {
    if (performance.now() - this.turnBegan < turnMs) return;
    await setImmediate();
    this.turnBegan = performance.now();
  }
}

/**
 * @param alone holds the folder, so that no second server and no restore works on it meanwhile
 * @throws DatabaseError with one clear line
 */
export async function openDatabase(folder: string, { alone = false } = {}): Promise<OpenDatabase> {
  const file = path.join(folder, 'slate-path.db');
  makeWritable(folder);
  refuseForeign(file);
  const letGo = alone ? prepareAlone(folder) : null;
  try {
    return await openHeld(file, letGo);
  } catch (error) {
    letGo?.();
    throw error;
  }
}

/** What only the one that holds the folder may do before it opens the data. */
function prepareAlone(folder: string): LetGo {
  const letGo = holdFolder(folder);
  finishRestore(folder);
  return letGo;
}

async function openHeld(file: string, letGo: LetGo | null): Promise<OpenDatabase> {
  refuseBesideCopies(file);
  checkSound(file);
  const shared = { type: 'better-sqlite3' as const, database: file, entities, statementCacheSize: 300 };
  const write = await connect({ ...shared, migrations, prepareDatabase: prepareWriting }, file);
  await write.runMigrations({ transaction: 'each' });
  const read = await connect({ ...shared, prepareDatabase: prepareReading }, file);
  const queue = new Queue();
  const hurried = new Hurried();
  const writing = sqlOf(write);
  writing.atOnce(() => {
    beginAccess(writing);
  });
  let trouble: string | null = null;
  const noted = async <T>(work: () => Promise<T>): Promise<T> => {
    try {
      const result = await work();
      trouble = null;
      return result;
    } catch (error) {
      trouble = diskTrouble(error) ?? trouble;
      throw error;
    }
  };
  return {
    file,
    read,
    lookUp: sqlOf(read),
    write: (work) => queue.run(() => noted(() => Promise.resolve(writing.atOnce(() => work(writing))))),
    writePart: async (work) => {
      await hurried.nobody();
      return queue.run(() =>
        noted(() => Promise.resolve(writing.unhurried(() => writing.atOnce(() => work(writing))))),
      );
    },
    hurried,
    inTransaction: (work) => queue.run(() => noted(() => write.manager.transaction(work))),
    alone: (work) => queue.run(work),
    trouble: () => trouble,
    close: async () => {
      await queue.run(() => read.destroy());
      await write.destroy();
      letGo?.();
    },
  };
}

/** The connection under the entities, for plain SQL. */
function sqlOf(source: DataSource): Sql {
  const { databaseConnection } = source.driver as unknown as { databaseConnection: Database.Database };
  return new Sql(databaseConnection);
}

function makeWritable(folder: string): void {
  try {
    fs.mkdirSync(folder, { recursive: true, mode: 0o700 });
    fs.accessSync(folder, fs.constants.W_OK);
    const probe = path.join(folder, '.write-test');
    fs.writeFileSync(probe, '');
    fs.rmSync(probe);
    // Children's records, in files that others made or copied here, perhaps for everybody to read.
    for (const name of fs.readdirSync(folder).filter((found) => found.startsWith('slate-path.db')))
      fs.chmodSync(path.join(folder, name), 0o600);
  } catch (error) {
    throw new DatabaseError(`The data folder ${folder} cannot be written (${reasonOf(error)}).`);
  }
}

/** Looks at the file without opening it as a database, so that a foreign one is not touched. */
function refuseForeign(file: string): void {
  const size = fs.statSync(file, { throwIfNoEntry: false })?.size ?? 0;
  if (size === 0) return;
  const header = Buffer.alloc(100);
  const handle = fs.openSync(file, 'r');
  fs.readSync(handle, header, 0, 100, 0);
  fs.closeSync(handle);
  if (header.toString('latin1', 0, 15) !== 'SQLite format 3')
    throw new DatabaseError(`${file} is not a database, or it is damaged. It was left as it is.`);
  if (header.readUInt32BE(68) !== applicationId)
    throw new DatabaseError(`${file} is a database of another program. It was left as it is.`);
}

/** Beside copies of it a database that is missing was moved or lost: a fresh school would hide that. */
function refuseBesideCopies(file: string): void {
  if ((fs.statSync(file, { throwIfNoEntry: false })?.size ?? 0) > 0) return;
  const folder = path.dirname(file);
  const copies = fs.readdirSync(folder).filter((name) => name.startsWith('slate-path.db.before-'));
  const backups = path.join(folder, 'backups');
  const kept = fs.existsSync(backups) ? fs.readdirSync(backups).filter((name) => name.endsWith('.db')) : [];
  const [copy] = [
    ...kept
      .sort()
      .reverse()
      .map((name) => path.join('backups', name)),
    ...copies,
  ];
  if (copy !== undefined)
    throw new DatabaseError(
      `${file} is missing or empty, but there are copies of it, as ${copy}. Restore one (npm run slate -- restore ${path.join(folder, copy)}), or move them away to begin anew.`,
    );
}

function checkSound(file: string): void {
  if ((fs.statSync(file, { throwIfNoEntry: false })?.size ?? 0) === 0) return;
  const database = new Database(file, { readonly: true });
  try {
    const found = database.pragma('quick_check(1)', { simple: true });
    if (found === 'ok') return;
    throw new Error(String(found));
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    throw new DatabaseError(
      `${file} is damaged (${reason}). It was left as it is; restore a backup in its place.`,
    );
  } finally {
    database.close();
  }
}

async function connect(options: DataSourceOptions, file: string): Promise<DataSource> {
  try {
    return await new DataSource(options).initialize();
  } catch (error) {
    throw new DatabaseError(`${file} cannot be opened (${reasonOf(error)}).`);
  }
}

function prepareWriting(database: Database.Database): void {
  // The id goes into the header before the journal does, so that it is there after any crash.
  if (database.pragma('page_count', { simple: true }) === 0)
    database.pragma(`application_id = ${applicationId}`);
  database.pragma('journal_mode = WAL');
  database.pragma('synchronous = FULL');
  // The journal goes into the file less often: 16 MB of it hold a busy morning.
  database.pragma('wal_autocheckpoint = 4000');
  database.pragma('foreign_keys = ON');
  database.pragma('busy_timeout = 5000');
}

function prepareReading(database: Database.Database): void {
  database.pragma('query_only = ON');
  database.pragma('busy_timeout = 5000');
}
