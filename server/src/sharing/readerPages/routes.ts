import type { AnswerOf } from '@slate-path/core/api/contract';
import { draftOf } from '@slate-path/core/sharing/readerPage/draft';
import { mostDays } from '@slate-path/core/sharing/readerPage/limits';
import { codePage, readerPage, type Heard } from '@slate-path/core/sharing/readerPage/render/page';
import { displayName } from '@slate-path/core/people/names';
import { addDays } from '@slate-path/core/calendar/localTime';
import type { Student } from '@slate-path/core/records/schema';
import type { Sql } from '../../database/sql';
import { Problem } from '../../http/problem';
import { readerOf, route } from '../../http/route';
import { dayAtSchool, memberOf, roleIn, schoolOf } from '../../scopes/access';
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
  tryCode,
  type Page,
} from './pages';
import { asPublicPage, gone } from '../publicPage';
import { takeWords } from '../wordsBack';
import { lastLetterAbout } from '../../people/messages/letters';
import { mailLink, withdrawLink } from '../../people/messages/mailLink';
import { teller } from '../../people/messages/teller';
import { demandMay } from './demandMay';
import { pageLetter } from './pageLetter';

const done = { done: true } as const;
const noPage = () => new Problem(404, 'Not found', 'There is no such page of yours. Nothing was changed.');

function namesOf(sql: Sql, ids: readonly string[]): string[] {
  return ids.flatMap((id) => {
    const student = sql.get<Student>('SELECT * FROM "student" WHERE "id" = ? AND NOT "removed"', id);
    return student ? [displayName(student)] : [];
  });
}

function classNameOf(sql: Sql, id: string): string | null {
  return sql.get<{ name: string }>('SELECT "name" FROM "section" WHERE "id" = ?', id)?.name ?? null;
}

type Made = AnswerOf<'pages'>['pages'][number];

function told(services: Services, page: Page): Made {
  const { database, clock } = services;
  const { lookUp: sql } = database;
  const now = clock();
  const letter = lastLetterAbout(sql, page.id);
  const { id, settings, madeAt, until, endedAt, codeHash, openings, openedAt } = page;
  const maker = sql.get<{ name: string }>('SELECT "name" FROM "teacher" WHERE "id" = ?', page.madeBy);
  return {
    ...{ id, settings, madeAt, until, endedAt, openings, openedAt },
    names: namesOf(sql, settings.studentIds),
    className: settings.sectionId === null ? null : classNameOf(sql, settings.sectionId),
    madeBy: maker?.name ?? '',
    isOpen: isOpen(sql, page, now),
    hasCode: codeHash !== null,
    letter: letter && teller(services, page.madeBy)(letter),
    lately: openingsOf(sql, id),
  };
}

/** A page has a last day, and not a far one. */
function demandEnd(sql: Sql, madeBy: string, until: string, now: number): void {
  const today = dayAtSchool(sql, madeBy, now);
  if (until < today || until > addDays(today, mostDays))
    throw new Problem(400, 'Not well formed', 'A page ends today or later, and within a year.', [
      { field: 'until', message: 'From today on, and within a year' },
    ]);
}

/** The maker, one of the teachers of those whom it tells of, or the keeper of their school. */
function mayEnd(sql: Sql, { madeBy, settings: { studentIds, sectionId } }: Page, personId: string): boolean {
  if (madeBy === personId) return true;
  const member = memberOf(sql, personId);
  return [...studentIds, sectionId ?? []]
    .flat()
    .some(
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
      demandMay(database.lookUp, teacherId, settings, clock());
      demandEnd(database.lookUp, teacherId, until, clock());
      const request = { file: database.file, madeBy: teacherId, settings, until, now: clock() };
      const { facts, shortened } = await jobs.run('readerPage', request);
      const named = [...facts.students.map(({ name }) => name), facts.teacher];
      return { html: readerPage(facts, { code, heard: [] }), draft: draftOf(facts), named, shortened };
    },
  }),
  route('makePage', {
    allow: 'member',
    async handle({ body, teacherId, services, request }) {
      const { database, clock } = services;
      const { id, token } = await database.write((sql) => {
        demandMay(sql, teacherId, body.settings, clock());
        demandEnd(sql, teacherId, body.until, clock());
        return addPage(sql, body, teacherId, clock());
      });
      const page = pageById(database.lookUp, id);
      const link = `${request.protocol}://${request.headers.host ?? ''}/read/${token}`;
      const address = page?.email ?? null;
      const mailed =
        page !== undefined &&
        address !== null &&
        (await mailLink(services, (sql) => pageLetter(sql, page, address, link)));
      return { id, token, mailed };
    },
  }),
  route('pages', {
    allow: 'member',
    handle({ teacherId, services }) {
      return Promise.resolve({
        pages: pagesBy(services.database.lookUp, teacherId).map((page) => told(services, page)),
      });
    },
  }),
  route('pagesOfStudent', {
    allow: readerOf('student', 'studentId', 'step'),
    handle({ params: { studentId }, services }) {
      return Promise.resolve({
        pages: pagesOf(services.database.lookUp, studentId).map((page) => told(services, page)),
      });
    },
  }),
  route('endPagesOfStudent', {
    allow: readerOf('student', 'studentId', 'step'),
    async handle({ params: { studentId }, teacherId, services }) {
      const { database, clock } = services;
      const ended = await database.write((sql) =>
        pagesOf(sql, studentId).filter(
          (page) => mayEnd(sql, page, teacherId) && endPage(sql, page.id, clock()),
        ),
      );
      for (const { id } of ended) await withdrawLink(services, id);
      return { ended: ended.length };
    },
  }),
  route('endPage', {
    allow: 'member',
    async handle({ params: { pageId }, teacherId, services }) {
      const { database, clock } = services;
      await database.write((sql) => {
        const page = pageById(sql, pageId);
        if (!page || !mayEnd(sql, page, teacherId)) throw noPage();
        endPage(sql, pageId, clock());
      });
      await withdrawLink(services, pageId);
      return done;
    },
  }),
];

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

/** Takes what a reader wrote. @returns what they are told of it */
function take(services: Services, { id, madeBy, settings }: Page, written: string): Promise<Heard[]> {
  if (!settings.mayWriteBack) return Promise.resolve([]);
  const { studentIds, sectionId, reader } = settings;
  const hearer = { teacherId: madeBy, studentIds, sectionId, saying: `${reader} wrote back:` };
  return takeWords(services, { table: 'readerPage', id }, hearer, written);
}

const ofReaders = [
  route('readPage', {
    allow: 'anyone',
    async handle({ params: { token }, services, response }) {
      asPublicPage(response);
      const page = openPage(services.database.lookUp, token, services.clock());
      if (!page) return gone(response);
      if (page.codeHash !== null) return codePage(page.settings.language, null);
      return pageOf(services, page, '', []);
    },
  }),
  route('answerPage', {
    allow: 'anyone',
    async handle({ params: { token }, body: { code, words }, services, response }) {
      asPublicPage(response);
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
