import { zipSync } from 'fflate';
import { ulid } from 'ulid';
import { reasonWords } from '@slate-path/core/people/messages/letterStates';
import { fateOf } from '@slate-path/core/people/messages/fate';
import type { LetterRow } from '../../database/letterEntities';
import { load } from '../../database/load';
import type { Sql } from '../../database/sql';
import { Problem } from '../../http/problem';
import { route } from '../../http/route';
import { bytesOf, mailOf } from './letter';
import { addLetter, letterById, lettersBy, lettersOfNotice } from './letters';
import { endMail, senderOf, setMail } from './mailSettings';
import type { Postman } from './postman';
import { teller } from './teller';
import { failureOf, smtpTransport } from './transport';

const done = { done: true } as const;

function ownLetter(sql: Sql, id: string, teacherId: string): LetterRow {
  const letter = letterById(sql, id);
  if (letter?.teacherId !== teacherId)
    throw new Problem(404, 'Not found', 'There is no such letter of yours. Nothing was changed.');
  return letter;
}

const ofWriters = [
  route('outbox', {
    allow: 'member',
    async handle({ services, teacherId }) {
      const { database, postman } = services;
      return {
        message: await load(database.read, 'message', teacherId),
        letters: lettersBy(database.lookUp, teacherId).map(teller(services, teacherId)),
        isSent: postman.access !== null,
      };
    },
  }),
  route('letterFile', {
    allow: 'member',
    async handle({ params: { letterId }, teacherId, services: { database, postman }, response }) {
      const { lookUp } = database;
      const mail = mailOf(lookUp, ownLetter(lookUp, letterId, teacherId), senderOf(postman.access));
      if (!mail)
        throw new Problem(404, 'Not there any more', 'What this letter said is not kept: it held a link.');
      response.type('message/rfc822');
      response.setHeader('Content-Disposition', 'attachment; filename="message.eml"');
      return bytesOf(mail);
    },
  }),
  route('lettersFile', {
    allow: 'member',
    async handle({ params: { noticeId }, teacherId, services: { database, postman }, response }) {
      const sender = senderOf(postman.access);
      const files: Record<string, Uint8Array> = {};
      for (const letter of lettersOfNotice(database.lookUp, noticeId, teacherId)) {
        const mail = mailOf(database.lookUp, letter, sender);
        // In the order in which they stand in the outbox; who each is for stands in it.
        const number = String(Object.keys(files).length + 1).padStart(3, '0');
        if (mail) files[`${number}.eml`] = await bytesOf(mail);
      }
      if (Object.keys(files).length === 0)
        throw new Problem(404, 'Not found', 'There are no such letters of yours.');
      response.type('application/zip');
      response.setHeader('Content-Disposition', 'attachment; filename="letters.zip"');
      return zipSync(files);
    },
  }),
  route('sendLetterAgain', {
    allow: 'member',
    async handle({
      params: { letterId },
      body: { address },
      teacherId,
      services: { database, postman, clock },
    }) {
      const id = ulid(clock());
      await database.write((sql) => {
        const letter = ownLetter(sql, letterId, teacherId);
        if (letter.kind !== 'message' || letter.state === 'waiting')
          throw new Problem(
            409,
            'Not sent again',
            letter.kind === 'message'
              ? 'It is on its way still. Nothing was changed.'
              : 'What this letter said is not kept: it held a link. Make a new one.',
          );
        addLetter(sql, { ...letter, id, address, insteadOf: letterId }, clock());
      });
      void postman.wake();
      return { id };
    },
  }),
];

const ofKeepers = [
  route('mail', {
    allow: 'keeper',
    handle({ services: { postman } }) {
      const { access, trouble } = postman;
      return Promise.resolve({
        settings: access?.settings ?? null,
        hasPassword: access !== null && access.password !== '' && access.password !== null,
        by: access?.by ?? null,
        trouble: trouble && {
          ...{ words: reasonWords[trouble.reason], said: trouble.said },
          since: new Date(trouble.since).toISOString(),
          nextAt: new Date(trouble.nextAt).toISOString(),
        },
      });
    },
  }),
  route('setMail', {
    allow: 'keeper',
    async handle({ body: { password, ...settings }, services: { database, postman, dataFolder } }) {
      demandDesk(postman);
      await database.write((sql) => {
        setMail(sql, dataFolder, settings, password);
      });
      void postman.renew();
      return done;
    },
  }),
  route('endMail', {
    allow: 'keeper',
    async handle({ services: { database, postman } }) {
      demandDesk(postman);
      await database.write(endMail);
      void postman.renew();
      return done;
    },
  }),
  route('testMail', {
    allow: 'keeper',
    async handle({ body: { address }, services: { postman, clock } }) {
      const { access } = postman;
      if (!access)
        throw new Problem(409, 'Nothing is set up', 'Set up a mail server first; nothing was sent.');
      const { settings, password } = access;
      if (password === null) return { words: reasonWords.noSecret, said: '' };
      const transport = await smtpTransport(access);
      try {
        await transport.send({
          from: { name: 'Slate Path', address: settings.sender },
          ...(settings.replyTo === '' ? {} : { replyTo: settings.replyTo }),
          to: address,
          subject: 'A test from Slate Path',
          text: 'This letter came by the mail server that is set up on Desk, under Mail. Nothing else needs to be done.',
          date: new Date(clock()),
        });
      } catch (error) {
        const failure = failureOf(error);
        return { words: reasonWords[fateOf(failure).reason], said: failure.message.slice(0, 300) };
      } finally {
        transport.close();
      }
      // What waited because of it need not wait any longer.
      void postman.renew();
      return { words: null, said: '' };
    },
  }),
];

function demandDesk({ access }: Postman): void {
  if (access?.by === 'environment')
    throw new Problem(
      409,
      'Set up elsewhere',
      'Mail is set up by whoever starts the server, in its environment. Nothing was changed.',
    );
}

export const messageRoutes = [...ofWriters, ...ofKeepers];
