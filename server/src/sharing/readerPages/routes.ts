import type { Response } from 'express';
import { ulid } from 'ulid';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { draftForReader } from '@slate-path/core/sharing/readerPage/draft';
import { mostDays, mostWrittenBack } from '@slate-path/core/sharing/readerPage/limits';
import type { NewPage } from '@slate-path/core/sharing/readerPage/settings';
import { codePage, gonePage, readerPage, type Heard } from '@slate-path/core/sharing/readerPage/render/page';
import { displayName } from '@slate-path/core/people/names';
import { addDays } from '@slate-path/core/calendar/localTime';
import type { Student } from '@slate-path/core/records/schema';
import { applyChanges } from '../../changes/applyChange';
import type { Sql } from '../../database/sql';
import { Problem } from '../../http/problem';
import { readerOf, route } from '../../http/route';
import { dayAtSchool, memberOf, roleIn, schoolOf } from '../../scopes/access';
import { tellPages } from '../../scopes/tellPages';
import type { Services } from '../../services';
import {
  addPage,
  countOpening,
  endPage,
  isOpen,
  openingsOf,
  openPage,
  pageById,
  pagesBy,
  pagesOf,
  passesOn,
  takeReply,
  tryCode,
  type Page,
} from './pages';
import { pageLetter } from './pageLetter';

const done = { done: true } as const;
const noPage = () => new Problem(404, 'Not found', 'There is no such page of yours. Nothing was changed.');

function namesOf(sql: Sql, ids: readonly string[]): string[] {
  return ids.flatMap((id) => {
    const student = sql.get<Student>('SELECT * FROM "student" WHERE "id" = ? AND NOT "removed"', id);
    return student ? [displayName(student)] : [];
  });
}

type Made = AnswerOf<'pages'>['pages'][number];

function told(sql: Sql, page: Page, now: number): Made {
  const { id, settings, madeAt, until, endedAt, codeHash, email, mailedAt, openings, openedAt } = page;
  const maker = sql.get<{ name: string }>('SELECT "name" FROM "teacher" WHERE "id" = ?', page.madeBy);
  return {
    ...{ id, settings, madeAt, until, endedAt, openings, openedAt },
    names: namesOf(sql, settings.studentIds),
    madeBy: maker?.name ?? '',
    isOpen: isOpen(sql, page, now),
    hasCode: codeHash !== null,
    mailedTo: mailedAt === null ? null : email,
    notMailedTo: mailedAt === null ? email : null,
    lately: openingsOf(sql, id),
  };
}

/** Only a student's teachers pass on what is recorded of them, and for a time that ends. */
function demandMay(sql: Sql, madeBy: string, { settings, until }: Omit<NewPage, 'email'>, now: number): void {
  if (!settings.studentIds.every((id) => passesOn(sql, madeBy, id)))
    throw new Problem(404, 'Not found', 'One of these is no student of yours. Nothing was made.');
  const today = dayAtSchool(sql, madeBy, now);
  if (until < today || until > addDays(today, mostDays))
    throw new Problem(400, 'Not well formed', 'A page ends today or later, and within a year.', [
      { field: 'until', message: 'From today on, and within a year' },
    ]);
}

/** Hands the link to the mail server. @returns whether it was taken: the page is there in any case */
async function mail(services: Services, page: Page, link: string): Promise<boolean> {
  const { database, mail: server, clock } = services;
  if (page.email === null) return false;
  try {
    await server.take(pageLetter(database.lookUp, page, page.email, link));
  } catch (error) {
    console.error(`Page ${page.id}: the mail server did not take its letter.`, error);
    return false;
  }
  const at = new Date(clock()).toISOString();
  await database.write((sql) =>
    sql.run('UPDATE "readerPage" SET "mailedAt" = ? WHERE "id" = ?', at, page.id),
  );
  return true;
}

/** The maker, one of the student's teachers, or the keeper of their school. */
function mayEnd(sql: Sql, { madeBy, settings }: Page, personId: string): boolean {
  if (madeBy === personId) return true;
  const member = memberOf(sql, personId);
  return settings.studentIds.some(
    (id) =>
      roleIn(sql, personId, id) === 'teacher' ||
      (member?.isKeeper === true && schoolOf(sql, id) === member.schoolId),
  );
}

const ofTeachers = [
  route('previewPage', {
    allow: 'member',
    async handle({ body, teacherId, services: { database, jobs, clock } }) {
      const { settings, until, code } = body;
      demandMay(database.lookUp, teacherId, body, clock());
      const request = { file: database.file, madeBy: teacherId, settings, until, now: clock() };
      const { facts, shortened } = await jobs.run('readerPage', request);
      const named = [...facts.students.map(({ name }) => name), facts.teacher];
      const draft = facts.students.map((student) => draftForReader(student, facts.levels)).join('\n\n');
      return { html: readerPage(facts, { code, heard: [] }), draft, named, shortened };
    },
  }),
  route('makePage', {
    allow: 'member',
    async handle({ body, teacherId, services, request }) {
      const { database, clock } = services;
      const { id, token } = await database.write((sql) => {
        demandMay(sql, teacherId, body, clock());
        return addPage(sql, body, teacherId, clock());
      });
      const page = pageById(database.lookUp, id);
      const link = `${request.protocol}://${request.headers.host ?? ''}/read/${token}`;
      return { id, token, mailed: page !== undefined && (await mail(services, page, link)) };
    },
  }),
  route('pages', {
    allow: 'member',
    handle({ teacherId, services: { database, clock } }) {
      const { lookUp } = database;
      return Promise.resolve({
        pages: pagesBy(lookUp, teacherId).map((page) => told(lookUp, page, clock())),
      });
    },
  }),
  route('pagesOfStudent', {
    allow: readerOf('student', 'studentId', 'step'),
    handle({ params: { studentId }, services: { database, clock } }) {
      const { lookUp } = database;
      return Promise.resolve({
        pages: pagesOf(lookUp, studentId).map((page) => told(lookUp, page, clock())),
      });
    },
  }),
  route('endPagesOfStudent', {
    allow: readerOf('student', 'studentId', 'step'),
    async handle({ params: { studentId }, teacherId, services: { database, clock } }) {
      const ended = await database.write(
        (sql) =>
          pagesOf(sql, studentId).filter(
            (page) => mayEnd(sql, page, teacherId) && endPage(sql, page.id, clock()),
          ).length,
      );
      return { ended };
    },
  }),
  route('endPage', {
    allow: 'member',
    async handle({ params: { pageId }, teacherId, services: { database, clock } }) {
      await database.write((sql) => {
        const page = pageById(sql, pageId);
        if (!page || !mayEnd(sql, page, teacherId)) throw noPage();
        endPage(sql, pageId, clock());
      });
      return done;
    },
  }),
];

/** Kept by nobody on the way, found by no search, and its address told to no other site. */
function asReadersPage(response: Response): void {
  response.setHeader('Cache-Control', 'no-store');
  response.setHeader('X-Robots-Tag', 'noindex, nofollow, noarchive');
  response.setHeader('Referrer-Policy', 'same-origin');
  response.setHeader(
    'Content-Security-Policy',
    "default-src 'none'; style-src 'self' 'unsafe-inline'; font-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'",
  );
  response.removeHeader('Slate-Now');
}

function gone(response: Response): string {
  response.status(404);
  return gonePage();
}

async function pageOf(
  services: Services,
  page: Page,
  code: string,
  heard: readonly Heard[],
): Promise<string> {
  const { database, jobs, clock } = services;
  const { settings, until, madeBy } = page;
  const request = { file: database.file, madeBy, settings, until, now: clock() };
  const counting = database.write((sql) => {
    countOpening(sql, page, clock());
  });
  const [{ facts }] = await Promise.all([jobs.run('readerPage', request), counting]);
  return readerPage(facts, { code, heard });
}

/** What a reader wrote, as a note of the teacher's own: in no paper for anybody else. */
async function keepReply(services: Services, { madeBy, settings }: Page, words: string): Promise<void> {
  const now = services.clock();
  const at = new Date(now).toISOString();
  const students = settings.studentIds.map((studentId) => ({ studentId, spans: [] }));
  const payload = {
    ...{ id: ulid(now), at, happenedAt: null, lesson: null, sectionId: null, place: '', own: true },
    text: `${settings.reader} wrote back:\n\n${words}`,
    ...{ doubts: [], students, topics: [], lookAgainOn: null },
  };
  const change = { id: ulid(now), kind: 'note.write', madeAt: at, device: 'reader', payload };
  const heard = new Set<string>();
  await applyChanges(services.database, [change], () => ({ teacherId: madeBy, receivedAt: at, heard }));
  tellPages(services, [madeBy, ...heard], [change], 'reader');
}

/** Takes what a reader wrote. @returns what they are told of it */
async function take(services: Services, page: Page, written: string): Promise<Heard[]> {
  const { database, clock } = services;
  const all = Array.from(written.replace(/\r\n/g, '\n').trim());
  if (!page.settings.mayWriteBack) return [];
  if (all.length === 0) return ['nothingWritten'];
  const words = all.slice(0, mostWrittenBack).join('');
  const day = new Date(clock()).toISOString().slice(0, 10);
  const taken = await database.write((sql) => takeReply(sql, pageById(sql, page.id) ?? page, words, day));
  if (taken === 'enough') return ['enough'];
  if (taken === 'taken') await keepReply(services, page, words);
  return all.length > mostWrittenBack ? ['thanks', 'shortened'] : ['thanks'];
}

const ofReaders = [
  route('readPage', {
    allow: 'anyone',
    async handle({ params: { token }, services, response }) {
      asReadersPage(response);
      const page = openPage(services.database.lookUp, token, services.clock());
      if (!page) return gone(response);
      if (page.codeHash !== null) return codePage(page.settings.language, null);
      return pageOf(services, page, '', []);
    },
  }),
  route('answerPage', {
    allow: 'anyone',
    async handle({ params: { token }, body: { code, words }, services, response }) {
      asReadersPage(response);
      const { database, clock } = services;
      const tried = await database.write((sql) => {
        const page = openPage(sql, token, clock());
        return page && { page, is: tryCode(sql, page, code, clock()) };
      });
      if (!tried) return gone(response);
      const { page, is } = tried;
      if (is !== 'right') {
        response.status(403);
        return codePage(page.settings.language, is);
      }
      return pageOf(services, page, code, words === undefined ? [] : await take(services, page, words));
    },
  }),
];

export const readerPageRoutes = [...ofTeachers, ...ofReaders];
