import type { Request } from 'express';
import { lastLetterAbout } from '../people/messages/letters';
import { withdrawLink } from '../people/messages/mailLink';
import { teller } from '../people/messages/teller';
import { AccountExists } from '../accounts/accounts';
import { enter } from '../accounts/enter';
import { callerOf } from '../accounts/sessions';
import { countWrongLink } from '../attendance/checkIn/limits';
import type { Member, Teaching } from '../database/scopeEntities';
import type { Sql } from '../database/sql';
import { Problem } from '../http/problem';
import { route } from '../http/route';
import type { Services } from '../services';
import { dayAtSchool, memberOf, roleIn } from '../scopes/access';
import { tellPages } from '../scopes/tellPages';
import {
  accept,
  endInvitation,
  invitationOf,
  invite,
  NoLongerGood,
  openInvitations,
  whyNot,
} from './invitations';
import { leave, membersOf, NotSo, setMember } from './members';
import { closeTeaching, isLastTeacher, openTeaching, openTeachings, teachingOf } from './teachings';

const done = { done: true } as const;

function member(sql: Sql, personId: string): Member {
  const found = memberOf(sql, personId);
  if (!found) throw new Problem(401, 'Not signed in', 'This account belongs to no school here any more.');
  return found;
}

const notFound = () => new Problem(404, 'Not found', 'There is no such thing among your classes.');

/** The keeper shares every class, without seeing what is in it: whoever is ill cannot call a cover. */
function demandClass(sql: Sql, by: Member, sectionId: string): void {
  const scope = sql.get<{ schoolId: string }>(
    `SELECT "schoolId" FROM "scope" WHERE "id" = ? AND "kind" = 'section'`,
    sectionId,
  );
  if (scope?.schoolId !== by.schoolId) throw notFound();
  if (!by.isKeeper && roleIn(sql, by.personId, sectionId) !== 'teacher') throw notFound();
}

/** A colleague of the same school. */
function colleague(sql: Sql, by: Member, personId: string): Member {
  const found = memberOf(sql, personId);
  if (found?.schoolId !== by.schoolId || found.until !== null)
    throw new Problem(404, 'Not found', 'There is no such colleague in your school. Nothing was changed.');
  return found;
}

/** Why a link of an invitation leads nowhere, in words for whoever was sent it. */
const reasons = {
  used: 'This invitation has been used already. If that was you, sign in with your name and passphrase; if not, ask for another.',
  ended: 'This invitation was taken back. Ask whoever sent it for another.',
  expired: 'This invitation has ended by itself after two weeks. Ask whoever sent it for another.',
};

async function openInvitation({ database, clock }: Services, request: Request, token: string) {
  const found = invitationOf(database.lookUp, token);
  if (!found) {
    await countWrongLink(request);
    throw new Problem(404, 'Not found', 'This link leads nowhere. Ask whoever sent it for the right one.');
  }
  const why = whyNot(found, clock());
  if (why) throw new Problem(410, 'No longer good', reasons[why]);
  return found;
}

const invitations = [
  route('invite', {
    allow: 'keeper',
    handle({ body: { name, role, sectionId, email }, teacherId, services, request }) {
      const { lookUp } = services.database;
      const by = member(lookUp, teacherId);
      if (sectionId !== null) demandClass(lookUp, by, sectionId);
      const { schoolId } = by;
      return invite(
        services,
        { schoolId, role, name, sectionId, invitedBy: teacherId, email: email || null },
        (token) => `${request.protocol}://${request.headers.host ?? ''}/join/${token}`,
      );
    },
  }),
  route('endInvitation', {
    allow: 'keeper',
    async handle({ params: { invitationId }, teacherId, services }) {
      const { database, clock } = services;
      const at = new Date(clock()).toISOString();
      const ended = await database.write((sql) =>
        endInvitation(sql, invitationId, member(sql, teacherId).schoolId, at),
      );
      if (!ended) throw new Problem(404, 'Not found', 'This invitation was used or taken back already.');
      await withdrawLink(services, invitationId);
      return done;
    },
  }),
  route('invitation', {
    allow: 'anyone',
    async handle({ params: { token }, services, request }) {
      const { lookUp } = services.database;
      const { schoolId, invitedBy, name, role, sectionId } = await openInvitation(services, request, token);
      const nameIn = (table: string, id: string | null) =>
        lookUp.get<{ name: string }>(`SELECT "name" FROM "${table}" WHERE "id" = ?`, id)?.name ?? null;
      return {
        schoolName: nameIn('school', schoolId) ?? '',
        invitedBy: nameIn('teacher', invitedBy) ?? '',
        name,
        role,
        className: nameIn('section', sectionId),
      };
    },
  }),
  route('acceptInvitation', {
    allow: 'anyone',
    async handle({ params: { token }, body, services, request, response }) {
      const { id } = await openInvitation(services, request, token);
      if (callerOf(services, request))
        throw new Problem(
          409,
          'Signed in already',
          'Somebody is signed in here already. Sign out first, or open the link on the device of whoever was invited. The invitation is still good.',
        );
      try {
        const personId = await accept(services, token, body);
        // The link is used up: a copy of it is of no use any more.
        await withdrawLink(services, id);
        await enter(services, request, response, personId);
      } catch (error) {
        if (error instanceof NoLongerGood) throw new Problem(410, 'No longer good', reasons[error.why]);
        if (!(error instanceof AccountExists)) throw error;
        const message = 'Somebody here is called that already. Add an initial, or your family name.';
        throw new Problem(409, 'This name is taken', `${message} The invitation is still good.`, [
          { field: 'name', message },
        ]);
      }
      return done;
    },
  }),
];

const classes = [
  route('colleagues', {
    allow: 'member',
    handle({ teacherId, services }) {
      const { database, clock } = services;
      const { lookUp } = database;
      const tell = teller(services, teacherId);
      const me = member(lookUp, teacherId);
      const sees = (sectionId: string) => me.isKeeper || roleIn(lookUp, teacherId, sectionId) !== null;
      const school = lookUp.get<{ name: string }>('SELECT "name" FROM "school" WHERE "id" = ?', me.schoolId);
      const found = lookUp.all<{ id: string; name: string }>(
        'SELECT c."id", c."name" FROM "section" c JOIN "scope" s ON s."id" = c."id" WHERE s."schoolId" = ? AND NOT c."removed" ORDER BY c."name", c."id"',
        me.schoolId,
      );
      const shown = found.filter(({ id }) => sees(id));
      const here = new Set(shown.map(({ id }) => id));
      const today = dayAtSchool(lookUp, teacherId, clock());
      return Promise.resolve({
        schoolName: school?.name ?? '',
        members: membersOf(lookUp, me.schoolId),
        classes: shown,
        teachings: openTeachings(lookUp, me.schoolId, today)
          .filter(({ sectionId }) => here.has(sectionId))
          .map(({ id, sectionId, personId, role, startsOn, endsOn }) => ({
            id,
            sectionId,
            personId,
            role,
            startsOn,
            endsOn,
          })),
        invitations: me.isKeeper
          ? openInvitations(lookUp, me.schoolId, clock()).map(({ id, name, role, sectionId, expiresAt }) => {
              const letter = lastLetterAbout(lookUp, id);
              return { id, name, role, sectionId, expiresAt, letter: letter && tell(letter) };
            })
          : [],
      });
    },
  }),
  route('share', {
    allow: 'member',
    async handle({ params: { sectionId }, body, teacherId, services }) {
      const { id, people } = await services.database.write((sql) => {
        const by = member(sql, teacherId);
        demandClass(sql, by, sectionId);
        // A keeper sees who has what, not what they write.
        if (body.personId === teacherId && roleIn(sql, teacherId, sectionId) !== 'teacher')
          throw new Problem(
            403,
            'Not for yourself',
            'A keeper shares every class with colleagues; one of its teachers shares it with you. Nothing was changed.',
          );
        const { role } = colleague(sql, by, body.personId);
        if (role === 'reader')
          throw new Problem(
            409,
            'A reader',
            'This colleague reads what is given to them, and has no classes. Give them the path of a student instead. Nothing was changed.',
          );
        if (role === 'assistant' && body.role === 'teacher')
          throw new Problem(
            409,
            'An assistant',
            'This colleague is an assistant at the school, so they can assist in a class or cover it. Nothing was changed.',
          );
        return openTeaching(sql, { sectionId, ...body }, teacherId, services.clock());
      });
      tellPages(services, people);
      return { id };
    },
  }),
  route('endShare', {
    allow: 'member',
    async handle({ params: { teachingId }, teacherId, services }) {
      const people = await services.database.write((sql) => {
        const by = member(sql, teacherId);
        const teaching = teachingOf(sql, teachingId);
        if (!teaching) throw notFound();
        if (teaching.personId !== teacherId) demandClass(sql, by, teaching.sectionId);
        demandAnother(sql, teaching);
        return closeTeaching(sql, teaching, teacherId, services.clock());
      });
      tellPages(services, people);
      return done;
    },
  }),
];

function demandAnother(sql: Sql, teaching: Teaching): void {
  if (isLastTeacher(sql, teaching))
    throw new Problem(
      409,
      'The last teacher',
      'The class would have no teacher. Share it with another first; then this can end. Nothing was changed.',
    );
}

const school = [
  route('setMember', {
    allow: 'keeper',
    async handle({ params: { personId }, body, teacherId, services }) {
      const people = await services.database.write((sql) => {
        const by = member(sql, teacherId);
        colleague(sql, by, personId);
        return asProblem(() => setMember(sql, personId, body, teacherId, services.clock()));
      });
      tellPages(services, people);
      return done;
    },
  }),
  route('endMembership', {
    allow: 'member',
    async handle({ params: { personId }, body: { handTo }, teacherId, services }) {
      const people = await services.database.write((sql) => {
        const by = member(sql, teacherId);
        if (!by.isKeeper && personId !== teacherId) throw notFound();
        colleague(sql, by, personId);
        if (handTo !== null) colleague(sql, by, handTo);
        return asProblem(() => leave(sql, { personId, handTo, by: teacherId }, services.clock()));
      });
      tellPages(services, people);
      return done;
    },
  }),
];

/** What cannot be, as an answer. */
function asProblem<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    throw error instanceof NotSo
      ? new Problem(409, 'Not so', `${error.message} Nothing was changed.`)
      : error;
  }
}

export const sharingRoutes = [...invitations, ...classes, ...school];
