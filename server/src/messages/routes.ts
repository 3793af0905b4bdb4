import fs from 'node:fs/promises';
import { z } from 'zod';
import { Id, recordSchema } from '@slate-path/core/records/schema';
import { DeliveryEntity } from '../database/entities';
import { Problem } from '../http/problem';
import { ownerOf, route } from '../http/route';
import { load } from '../views/load';

const Delivery = z.object({ messageId: z.string(), deliveredAt: z.iso.datetime() });

export const messageRoutes = [
  route({
    method: 'get',
    path: '/api/outbox',
    summary: 'What was written to students and guardians, and what the mail server has taken.',
    allow: 'teacher',
    answer: z.object({ message: z.array(recordSchema('message')), deliveries: z.array(Delivery) }),
    async handle({ services, teacherId }) {
      const { read } = services.database;
      const found = await read.getRepository(DeliveryEntity).findBy({ teacherId });
      const deliveries = found.map(({ messageId, deliveredAt }) => ({ messageId, deliveredAt }));
      return { message: await load(read, 'message', { teacherId }), deliveries };
    },
  }),
  route({
    method: 'get',
    path: '/api/messages/{messageId}/eml',
    summary: 'One message as the mail server has it (RFC 5322).',
    allow: ownerOf('message', 'messageId'),
    params: z.object({ messageId: Id }),
    answer: z.custom<Uint8Array>((bytes) => bytes instanceof Uint8Array),
    answersWith: 'message/rfc822',
    async handle({ params: { messageId }, services, response }) {
      const bytes = await fs.readFile(services.mail.fileOf(messageId)).catch(() => null);
      if (!bytes) throw new Problem(404, 'Not sent yet', 'The mail server has not taken this message yet.');
      response.type('message/rfc822');
      response.setHeader('Content-Disposition', `attachment; filename="message.eml"`);
      return bytes;
    },
  }),
];
