import { In, IsNull, Not } from '../database/conditions';
import { mondayOf } from '@slate-path/core/calendar/localTime';
import { localMoment } from '@slate-path/core/calendar/zone';
import { noteChanges } from '@slate-path/core/notes/changes';
import { followUpCalendar, summaryOf, type CalendarEntry } from '@slate-path/core/notes/followUpCalendar';
import { searchTerms } from '@slate-path/core/notes/searchTerms';
import { withMerged } from '@slate-path/core/notes/topics';
import { historiesOf, noteVersions } from '@slate-path/core/notes/versions';
import { displayName } from '@slate-path/core/people/names';
import { findNoteRows } from '../database/noteIndex';
import { ChangeEntity } from '../database/entities';
import { nameFile } from '../files/nameFile';
import { readerOf, route } from '../http/route';
import type { Services } from '../services';
import { load } from '../database/load';
import { findNotes } from './findNotes';
import { beginningOf, momentsOf, notesOf, withLinks } from './readNotes';
import { notesSpeakingOf } from './speaking';

/** How long notes are on every device, network or not. */
const recentDays = 42;
/** What alters notes, their ties and promises. */
const changesOfNotes = [
  ...Object.keys(noteChanges),
  'undo',
  'erasure',
  'archive.bring',
  'archive.goBack',
  'archive.end',
];
const perPage = 50;
const dayMs = 86_400_000;

async function topicIdsOf({ database }: Services, teacherId: string, topicId: string): Promise<string[]> {
  const topics = await load(database.read, 'topic', teacherId);
  return withMerged(Object.fromEntries(topics.map((topic) => [topic.id, topic])), topicId);
}

/** Steps with a day to look again: what was done and about whom, without what was written about it. */
async function stepEntries({ database: { read } }: Services, teacherId: string): Promise<CalendarEntry[]> {
  const steps = await load(read, 'step', teacherId, { removed: false, lookAgainOn: Not(IsNull()) });
  const students = await load(read, 'student', teacherId, {
    id: In(steps.map(({ studentId }) => studentId)),
  });
  const nameOf = new Map(students.map((student) => [student.id, displayName(student)]));
  return steps.flatMap(({ id, studentId, kind, lookAgainOn }) => {
    const name = nameOf.get(studentId);
    if (name === undefined || lookAgainOn === null) return [];
    const summary = `${name}: ${kind}`;
    return [{ id, date: lookAgainOn, summary: summaryOf(summary), description: summary }];
  });
}

export const noteRoutes = [
  route('findNotes', {
    allow: 'member',
    cached: 'per-teacher',
    async handle({ query: { words, topicId, from, to, skip, ...by }, teacherId, services }) {
      const { database } = services;
      const days = await momentsOf(database, teacherId, { from, to });
      const topicIds = topicId === undefined ? undefined : await topicIdsOf(services, teacherId, topicId);
      const filter = { teacherId, topicIds, removedToo: true, ...by, ...days };
      const all = findNotes(database.lookUp, filter, searchTerms(words), { limit: perPage + 1, skip });
      const notes = all.slice(0, perPage);
      const found = notes.filter(({ removed }) => !removed).map(({ id }) => id);
      return { ...withLinks(database, notes), found, more: all.length > perPage };
    },
  }),
  route('recentNotes', {
    allow: 'member',
    cached: { kinds: changesOfNotes },
    async handle({ teacherId, services }) {
      const { database } = services;
      const from = new Date(services.clock() - recentDays * dayMs).toISOString();
      const since = { teacherId, from, removedToo: true };
      const recent = notesOf(findNoteRows(database.lookUp, since, [], { limit: 5000, skip: 0 }));
      // All of them: one that was settled on another device is settled here too.
      const followUp = await load(database.read, 'followUp', teacherId);
      const here = new Set(recent.map(({ id }) => id));
      const older = followUp.filter(({ outcome, noteId }) => outcome === 'open' && !here.has(noteId));
      const promised = await load(database.read, 'note', teacherId, {
        id: In(older.map(({ noteId }) => noteId)),
      });
      return { ...withLinks(database, [...recent, ...promised]), followUp };
    },
  }),
  route('note', {
    allow: readerOf('note', 'noteId'),
    cached: 'per-teacher',
    async handle({ params: { noteId }, teacherId, services: { database } }) {
      const lines = await database.read
        .getRepository(ChangeEntity)
        .find({ where: { about: In(historiesOf(noteId)) }, order: { seq: 'ASC' }, take: 500 });
      const links = withLinks(database, await load(database.read, 'note', teacherId, { id: noteId }));
      return { ...links, versions: noteVersions(noteId, lines) };
    },
  }),
  route('topicCounts', {
    allow: 'member',
    cached: 'per-teacher',
    async handle({ query: { since }, teacherId, services: { database } }) {
      const counts = database.lookUp.all<{
        topicId: string;
        notes: number;
        recent: number;
        students: number;
      }>(
        `SELECT t."topicId" AS "topicId", COUNT(DISTINCT n."id") AS "notes", COUNT(DISTINCT CASE WHEN n."at" >= ? THEN n."id" END) AS "recent", COUNT(DISTINCT s."studentId") AS "students" FROM "noteTopic" t JOIN "note" n ON n."id" = t."noteId" AND NOT n."removed" LEFT JOIN "noteStudent" s ON s."noteId" = n."id" AND NOT s."removed" WHERE n."scopeId" IN (SELECT "scopeId" FROM "access" WHERE "personId" = ? AND "role" IN ('own', 'teacher')) AND NOT t."removed" GROUP BY t."topicId"`,
        await beginningOf(database, teacherId, since),
        teacherId,
      );
      return { counts };
    },
  }),
  route('notesSpeaking', {
    allow: 'member',
    async handle({ query: { name: names, topicId }, teacherId, services }) {
      const { database } = services;
      const asked = topicId === undefined ? [] : await topicIdsOf(services, teacherId, topicId);
      const { notes, found, more } = await notesSpeakingOf(services, teacherId, names, asked);
      return { ...withLinks(database, notes), found, more };
    },
  }),
  route('suggestedTopics', {
    allow: 'member',
    cached: 'per-teacher',
    async handle({ teacherId, services }) {
      const { database, jobs } = services;
      const [school] = await load(database.read, 'school', teacherId);
      const { date } = localMoment(services.clock(), school?.zone ?? 'UTC');
      const until = await beginningOf(database, teacherId, mondayOf(date));
      const from = new Date(Date.parse(until) - 56 * dayMs).toISOString();
      return { words: await jobs.run('suggestTopics', { file: database.file, teacherId, from, until }) };
    },
  }),
  route('followUpCalendar', {
    allow: 'member',
    async handle({ teacherId, services, response }) {
      const { read } = services.database;
      const open = await load(read, 'followUp', teacherId, { outcome: 'open', removed: false });
      const notes = await load(read, 'note', teacherId, { id: In(open.map(({ noteId }) => noteId)) });
      const noteOf = new Map(notes.map((note) => [note.id, note]));
      const entries = open.flatMap(({ noteId, dueOn }) => {
        const note = noteOf.get(noteId);
        if (!note || note.removed) return [];
        const text = note.own ? 'A note of your own' : note.text;
        return [{ id: noteId, date: dueOn, summary: summaryOf(text), description: text }];
      });
      const steps = await stepEntries(services, teacherId);
      response.setHeader('Content-Disposition', 'attachment; filename="look-again.ics"');
      return followUpCalendar([...entries, ...steps], new Date(services.clock()).toISOString());
    },
  }),
  route('notesFile', {
    allow: readerOf('student', 'studentId'),
    async handle({ params: { studentId }, query, teacherId, services, response }) {
      const { file } = services.database;
      const now = services.clock();
      const bytes = await services.jobs.run('notesFile', { file, teacherId, studentId, now, ...query });
      nameFile(response, 'notes', query.format);
      return bytes;
    },
  }),
];
