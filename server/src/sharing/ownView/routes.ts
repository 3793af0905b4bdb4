import { ownPage } from '@slate-path/core/sharing/ownView/render';
import type { Heard } from '@slate-path/core/sharing/readerPage/render/page';
import { displayName } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';
import type { StudentCardRow } from '../../database/ownViewEntities';
import type { Sql } from '../../database/sql';
import { nameFile } from '../../files/nameFile';
import { Problem } from '../../http/problem';
import { readerOf, route } from '../../http/route';
import { dayAtSchool } from '../../scopes/access';
import type { Services } from '../../services';
import { newToken } from '../linkToken';
import { asPublicPage, gone } from '../publicPage';
import { passesOn } from '../readerPages/pages';
import { takeWords } from '../wordsBack';
import {
  addCard,
  cardByToken,
  cardOf,
  countCardOpening,
  endCardOf,
  inClassOn,
  openClassesOf,
  ownViewOf,
  setOwnView,
  type OpenClass,
} from './cards';

const done = { done: true } as const;

const nameOf = (sql: Sql, studentId: string): string => {
  const student = sql.get<Student>('SELECT * FROM "student" WHERE "id" = ?', studentId);
  return student ? displayName(student) : '';
};

/** Only who is in the class now, and only for who teaches them. */
function demandInClass(
  sql: Sql,
  teacherId: string,
  sectionId: string,
  ids: readonly string[],
  now: number,
): void {
  const inClass = new Set(inClassOn(sql, sectionId, dayAtSchool(sql, teacherId, now)));
  if (!ids.every((id) => inClass.has(id) && passesOn(sql, teacherId, id)))
    throw new Problem(404, 'Not found', 'One of these is not in this class now. Nothing was made.');
}

const factsOf = ({ database, jobs, clock }: Services, studentId: string, classes: readonly OpenClass[]) =>
  jobs.run('ownPage', { file: database.file, studentId, classes, now: clock() });

const ofTeachers = [
  route('ownView', {
    allow: readerOf('section', 'sectionId', 'step'),
    handle({ params: { sectionId }, teacherId, services: { database, clock } }) {
      const { lookUp } = database;
      const view = ownViewOf(lookUp, sectionId);
      const today = dayAtSchool(lookUp, teacherId, clock());
      const cards = inClassOn(lookUp, sectionId, today).map((studentId) => {
        const { madeAt = null, openings = 0, openedAt = null } = cardOf(lookUp, studentId) ?? {};
        return { studentId, madeAt, openings, openedAt };
      });
      const setBy =
        view && lookUp.get<{ name: string }>('SELECT "name" FROM "teacher" WHERE "id" = ?', view.setBy);
      return Promise.resolve({ settings: view?.settings ?? null, setBy: setBy?.name ?? '', cards });
    },
  }),
  route('setOwnView', {
    allow: readerOf('section', 'sectionId', 'step'),
    async handle({ params: { sectionId }, body: { settings }, teacherId, services: { database, clock } }) {
      await database.write((sql) => {
        setOwnView(sql, sectionId, settings, teacherId, clock());
      });
      return done;
    },
  }),
  route('previewOwnView', {
    allow: readerOf('section', 'sectionId', 'step'),
    async handle({ params: { sectionId }, body: { settings, studentId }, teacherId, services }) {
      demandInClass(services.database.lookUp, teacherId, sectionId, [studentId], services.clock());
      const facts = await factsOf(services, studentId, [{ sectionId, setBy: teacherId, settings }]);
      return { html: ownPage(facts, []) };
    },
  }),
  route('makeCards', {
    allow: readerOf('section', 'sectionId', 'step'),
    async handle({
      params: { sectionId },
      body: { studentIds, paper },
      teacherId,
      services,
      request,
      response,
    }) {
      const { database, jobs, clock } = services;
      const { lookUp } = database;
      demandInClass(lookUp, teacherId, sectionId, studentIds, clock());
      const made = studentIds.map((studentId) => ({ studentId, ...newToken() }));
      const address = `${request.protocol}://${request.headers.host ?? ''}/mine/`;
      const school = lookUp.get<{ name: string }>(
        'SELECT "name" FROM "school" WHERE "id" = (SELECT "schoolId" FROM "member" WHERE "personId" = ?)',
        teacherId,
      );
      const cards = made.map(({ studentId, token }) => ({
        name: nameOf(lookUp, studentId),
        link: address + token,
      }));
      // The sheets first: a card ends only when there is another one to hand out.
      const bytes = await jobs.run('cardSheets', { school: school?.name ?? '', paper, cards });
      await database.write((sql) => {
        for (const { studentId, tokenHash } of made) addCard(sql, studentId, tokenHash, teacherId, clock());
      });
      nameFile(response, 'cards', 'pdf');
      return bytes;
    },
  }),
  route('replaceCard', {
    allow: readerOf('student', 'studentId', 'step'),
    async handle({ params: { studentId }, teacherId, services: { database, clock } }) {
      const { token, tokenHash } = newToken();
      await database.write((sql) => {
        addCard(sql, studentId, tokenHash, teacherId, clock());
      });
      return { token };
    },
  }),
  route('endCard', {
    allow: readerOf('student', 'studentId', 'step'),
    async handle({ params: { studentId }, services: { database, clock } }) {
      await database.write((sql) => {
        endCardOf(sql, studentId, clock());
      });
      return done;
    },
  }),
];

/** The card that a link is of and what it opens today; undefined where it leads nowhere. */
function opened({ database: { lookUp }, clock }: Services, token: string) {
  const card = cardByToken(lookUp, token);
  const classes = card ? openClassesOf(lookUp, card.studentId, clock()) : [];
  return card && classes.length > 0 ? { card, classes } : undefined;
}

async function pageOf(
  services: Services,
  card: StudentCardRow,
  classes: readonly OpenClass[],
  heard: readonly { one: Heard; teacher: string }[],
): Promise<string | null> {
  const { database, clock } = services;
  const counting = database.write((sql) => {
    countCardOpening(sql, card, clock());
  });
  const [facts] = await Promise.all([factsOf(services, card.studentId, classes), counting]);
  return facts.classes.length > 0 ? ownPage(facts, heard) : null;
}

const ofStudents = [
  route('ownPage', {
    allow: 'anyone',
    async handle({ params: { token }, services, response }) {
      asPublicPage(response);
      const found = opened(services, token);
      return (found && (await pageOf(services, found.card, found.classes, []))) ?? gone(response);
    },
  }),
  route('writeOnOwnPage', {
    allow: 'anyone',
    async handle({ params: { token }, body: { section, words }, services, response }) {
      asPublicPage(response);
      const found = opened(services, token);
      if (!found) return gone(response);
      const { card, classes } = found;
      const { lookUp } = services.database;
      const to = classes.find(({ sectionId, settings }) => sectionId === section && settings.words);
      const hearer = to && {
        ...{ teacherId: to.setBy, studentIds: [card.studentId], sectionId: to.sectionId },
        saying: `${nameOf(lookUp, card.studentId)} wrote:`,
      };
      const heard = hearer
        ? await takeWords(services, { table: 'studentCard', id: card.id }, hearer, words)
        : [];
      const teacher =
        to && lookUp.get<{ name: string }>('SELECT "name" FROM "teacher" WHERE "id" = ?', to.setBy);
      const told = heard.map((one) => ({ one, teacher: teacher?.name ?? '' }));
      return (await pageOf(services, card, classes, told)) ?? gone(response);
    },
  }),
];

export const ownViewRoutes = [...ofTeachers, ...ofStudents];
