import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import { ulid } from 'ulid';
import { addDays, datesBetween, weekdayOf } from '@slate-path/core/calendar/localTime';
import type { Standing, TableName } from '@slate-path/core/records/schema';
import { ApiClient } from '@slate-path/demo/apiClient';
import { teacher } from '@slate-path/e2e/src/classroom';
import { insertRow } from '@slate-path/server/database/rowSql';
import { Sql } from '@slate-path/server/database/sql';
import { startServer, type Running } from '@slate-path/server/start';
import { median, percentile } from './percentile';

/** A school in which each student sits in six classes, each of another teacher. */
const size = { teachers: 60, students: 1200, classesEach: 6, seats: 20, days: 540 };
/** A Monday; three school years of lessons on every weekday from there on. */
const firstDay = '2023-09-04';
const times = 40;
const warmUp = 5;

const lessonDays = datesBetween(firstDay, addDays(firstDay, size.days * 2))
  .filter((date) => weekdayOf(date) <= 5)
  .slice(0, size.days);
const lastDay = lessonDays.at(-1) ?? firstDay;

interface Begun {
  schoolId: string;
  keeperId: string;
  standingIds: string[];
}

/** Writes a school's classes, lessons and marks straight into its tables: through the door it would take an hour. */
class Filler {
  constructor(
    private readonly sql: Sql,
    private readonly begun: Begun,
    private readonly students: number,
  ) {}

  private row(table: TableName, id: string, scopeId: string, teacherId: string, fields: object): void {
    const stamps = { '*': { at: `${firstDay}T06:00:00.000Z`, by: '' } };
    insertRow(this.sql, table, { ...fields, id, teacherId, scopeId, removed: false, stamps });
  }

  private scope(id: string, kind: 'section' | 'student'): void {
    this.sql.run('INSERT INTO "scope" VALUES (?, ?, ?)', id, kind, this.begun.schoolId);
  }

  people(): void {
    for (let index = 0; index < this.students; index += 1) {
      const names = { givenName: `Pupil${index}`, familyName: 'Abara', called: '', email: '' };
      this.scope(`student${index}`, 'student');
      this.row('student', `student${index}`, `student${index}`, this.begun.keeperId, {
        ...{ ...names, grade: '', schoolId: '' },
      });
    }
  }

  private colleague(index: number): string {
    if (index === 0) return this.begun.keeperId;
    const [id, at] = [`colleague${index}`, `${firstDay}T06:00:00.000Z`];
    this.sql.run(
      'INSERT INTO "teacher" ("id", "name", "passphraseHash", "createdAt") VALUES (?, ?, ?, ?)',
      id,
      id,
      '',
      at,
    );
    this.sql.run(
      `INSERT INTO "member" VALUES (?, ?, 'teacher', 0, ?, NULL, '')`,
      id,
      this.begun.schoolId,
      at,
    );
    return id;
  }

  teacher(index: number): void {
    const personId = this.colleague(index);
    for (let number = 0; number < size.classesEach; number += 1) this.section(index, number, personId);
  }

  private section(index: number, number: number, personId: string): void {
    const id = `section${index}-${number}`;
    const startsAt = `${String(8 + number).padStart(2, '0')}:00`;
    const time = { startsAt, endsAt: `${startsAt.slice(0, 2)}:50` };
    const rules = { graceMinutes: null, awayFromShare: null, latesPerAbsence: null, creditBy: 'standing' };
    const more = { halfDayMinutes: null, taughtWithId: null, wholeDayMinutes: null };
    this.scope(id, 'section');
    this.row('section', id, id, personId, {
      name: `Class ${number + 1}`,
      subject: '',
      room: '',
      ...rules,
      ...more,
    });
    this.sql.run(
      `INSERT INTO "teaching" ("id", "sectionId", "personId", "role", "madeAt") VALUES (?, ?, ?, 'teacher', ?)`,
      ...[id, id, personId, `${firstDay}T06:00:00.000Z`],
    );
    for (const weekday of [1, 2, 3, 4, 5])
      this.row('meeting', `${id}-${weekday}`, id, personId, {
        ...{ sectionId: id, weekday, ...time, validFrom: null, validUntil: null },
      });
    const seats = Array.from(
      { length: size.seats },
      (_, seat) => `student${((index * size.classesEach + number) * size.seats + seat) % this.students}`,
    );
    seats.forEach((studentId, seat) => {
      this.row('enrolment', `${id}-${seat}`, id, personId, {
        ...{ sectionId: id, studentId, cohort: '', startsOn: null, endsOn: null },
      });
    });
    lessonDays.forEach((date, day) => {
      this.lesson(`${id}-${weekdayOf(date)}.${date}`, { sectionId: id, date, ...time }, personId, seats, day);
    });
  }

  private note(
    lessonId: string,
    { sectionId, date }: { sectionId: string; date: string },
    personId: string,
    studentId: string,
  ): void {
    const id = `note ${lessonId}`;
    const at = `${date}T08:30:00.000Z`;
    const text = `${studentId} tied the bowline again and lost the rope`;
    const more = { happenedAt: null, place: '', own: false, doubts: [] };
    this.row('note', id, sectionId, personId, { text, at, lessonId, sectionId, ...more });
    const spans = [{ from: 0, to: studentId.length }];
    this.row('noteStudent', `${id} ${studentId}`, sectionId, personId, { noteId: id, studentId, spans });
  }

  private lesson(
    id: string,
    lesson: { sectionId: string; date: string; startsAt: string; endsAt: string },
    personId: string,
    seats: readonly string[],
    day: number,
  ): void {
    const takenAt = `${lesson.date}T08:00:00.000Z`;
    this.row('lesson', id, lesson.sectionId, personId, { ...lesson, label: '', setAside: false, takenAt });
    if (day % 5 === 0) this.note(id, lesson, personId, seats[day % seats.length] ?? '');
    seats.forEach((studentId, seat) => {
      if ((seat + day) % 3 > 0) return;
      const { standingIds } = this.begun;
      const standingId = standingIds[(seat + day) % standingIds.length];
      const mark = { lessonId: id, studentId, standingId, arrivedAt: null, leftAt: null };
      this.row('mark', `${id} ${studentId}`, lesson.sectionId, personId, {
        ...mark,
        comment: '',
        source: 'tap',
      });
    });
  }
}

/** @returns a server with a school of so many teachers, and its keeper, who is one of them */
async function openSchool(
  teachers: number,
  students: number,
): Promise<{ running: Running; client: ApiClient }> {
  const dataFolder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-bench-'));
  const clock = () => Date.parse(`${lastDay}T12:00:00Z`);
  const options = { dataFolder, port: 0, host: '127.0.0.1', pages: null, clock };
  const first = await startServer(options);
  const begun = await ApiClient.signIn(first.address, '/api/first-start', teacher);
  const { school, standing } = await begun.get<{ school: { id: string }[]; standing: Standing[] }>(
    '/api/setup',
  );
  const keeper = (await begun.get<{ teacher: { id: string } }>('/api/session')).teacher.id;
  const { file } = first.services.database;
  await first.stop();
  const database = new Database(file);
  const sql = new Sql(database);
  sql.atOnce(() => {
    const standingIds = standing.filter(({ countsAs }) => countsAs === 'away').map(({ id }) => id);
    const filler = new Filler(
      sql,
      { schoolId: school[0]?.id ?? '', keeperId: keeper, standingIds },
      students,
    );
    const terms = { name: 'Three years', startsOn: firstDay, endsOn: lastDay };
    insertRow(sql, 'term', {
      ...{
        id: 'term',
        teacherId: keeper,
        scopeId: school[0]?.id ?? '',
        removed: false,
        stamps: {},
        ...terms,
      },
    });
    filler.people();
    for (let index = 0; index < teachers; index += 1) filler.teacher(index);
    sql.run(`UPDATE "member" SET "accessOn" = ''`);
  });
  database.close();
  const running = await startServer(options);
  const { name, passphrase } = teacher;
  return { running, client: await ApiClient.signIn(running.address, '/api/sign-in', { name, passphrase }) };
}

const viewPaths: Record<string, string> = {
  day: `/api/days/${lastDay}`,
  month: `/api/sections/section0-0/months/${lastDay.slice(0, 7)}`,
  totals: `/api/totals?from=${addDays(lastDay, -360)}&to=${lastDay}`,
  roll: `/api/sections/section0-0/roll?from=${addDays(lastDay, -360)}&to=${lastDay}&format=csv`,
  path: '/api/students/student0/path',
  notes: '/api/notes',
  search: '/api/notes?words=bowline%20rope',
  'recent notes': '/api/notes/recent',
  watch: '/api/watch',
  glance: '/api/sections/section0-0/glance',
  setup: '/api/setup',
  colleagues: '/api/colleagues',
};

/** A device that is new asks page after page. @returns the bytes of all, and where it stands */
async function syncAll(client: ApiClient): Promise<{ bytes: number; cursor: string }> {
  let [bytes, cursor, more] = [0, '', true];
  while (more) {
    const text = await (
      await client.fetch(`/api/sync${cursor && `?cursor=${encodeURIComponent(cursor)}`}`)
    ).text();
    ({ cursor, more } = JSON.parse(text) as { cursor: string; more: boolean });
    bytes += text.length;
  }
  return { bytes, cursor };
}

/** A day of one class, tap by tap: rolls, and notes. @returns how many changes */
async function teachADay(client: ApiClient, standingId: string): Promise<number> {
  const date = lastDay;
  const changes = Array.from({ length: size.classesEach }, (_, number) => number).flatMap((number) => {
    const sectionId = `section0-${number}`;
    const startsAt = `${String(8 + number).padStart(2, '0')}:00`;
    const lesson = { id: `${sectionId}-${weekdayOf(date)}.${date}`, sectionId, date, startsAt };
    const marks = [0, 1, 2, 3, 4].map((seat) => ({
      ...{ studentId: `student${number * size.seats + seat}`, standingId, arrivedAt: null, leftAt: null },
    }));
    return marks.map((mark) => ({
      ...{ id: ulid(), kind: 'roll.mark', madeAt: `${date}T11:00:00.000Z`, device: 'another' },
      payload: { lesson: { ...lesson, endsAt: `${startsAt.slice(0, 2)}:50` }, marks: [mark] },
    }));
  });
  await client.postJson('/api/changes', { changes });
  return changes.length;
}

async function timed(client: ApiClient, place: string): Promise<number> {
  const begun = performance.now();
  await (await client.fetch(place)).arrayBuffer();
  return performance.now() - begun;
}

/**
 * Every view of one of 60 teachers with three years of lessons, beside the same teacher alone at a school, by turns;
 * then what a second device is told of a day.
 */
export async function benchManyTeachers(): Promise<Record<string, number>> {
  const alone = await openSchool(1, size.classesEach * size.seats);
  const many = await openSchool(size.teachers, size.students);
  const figures: Record<string, number> = {};
  for (const [name, place] of Object.entries(viewPaths)) {
    const took: { alone: number[]; many: number[] } = { alone: [], many: [] };
    for (let index = 0; index < times + warmUp; index += 1) {
      const [one, other] = [await timed(alone.client, place), await timed(many.client, place)];
      if (index < warmUp) continue;
      took.alone.push(one);
      took.many.push(other);
    }
    figures[`${name}, a teacher alone, p95 ms`] = percentile(took.alone, 0.95);
    figures[`${name}, one of ${size.teachers}, p95 ms`] = percentile(took.many, 0.95);
    figures[`${name}, p95, times that of a teacher alone`] =
      percentile(took.many, 0.95) / percentile(took.alone, 0.95);
  }
  const { standing } = await many.client.get<{ standing: Standing[] }>('/api/setup');
  const whole = await syncAll(many.client);
  const changes = await teachADay(many.client, standing[0]?.id ?? '');
  const place = `/api/sync?cursor=${encodeURIComponent(whole.cursor)}`;
  const took: number[] = [];
  for (let index = 0; index < times; index += 1) took.push(await timed(many.client, place));
  const bytesOf = async (of: string) => (await (await many.client.fetch(of)).arrayBuffer()).byteLength;
  figures['a new device: all that it holds, kB'] = whole.bytes / 1000;
  figures['a day on another device: changes'] = changes;
  figures['a day on another device: kB by difference'] = (await bytesOf(place)) / 1000;
  figures['a day on another device: by difference, p50 ms'] = median(took);
  figures['the same asked for as before (setup and day), kB'] =
    ((await bytesOf('/api/setup')) + (await bytesOf(`/api/days/${lastDay}`))) / 1000;
  await Promise.all([alone.running.stop(), many.running.stop()]);
  return figures;
}
