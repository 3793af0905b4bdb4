import fs from 'node:fs/promises';
import { DeliveryEntity } from '../../database/entities';
import { Problem } from '../../http/problem';
import { readerOf, route } from '../../http/route';
import { mailedBy } from '../../sharing/invitations';
import { load } from '../../database/load';

export const messageRoutes = [
  route('outbox', {
    allow: 'member',
    async handle({ services, teacherId }) {
      const { read } = services.database;
      const found = await read.getRepository(DeliveryEntity).findBy({ teacherId });
      const deliveries = found.map(({ messageId, deliveredAt }) => ({ messageId, deliveredAt }));
      return {
        message: await load(read, 'message', teacherId),
        deliveries,
        invitations: mailedBy(services.database.lookUp, teacherId),
      };
    },
  }),
  route('messageFile', {
    allow: readerOf('message', 'messageId'),
    async handle({ params: { messageId }, services, response }) {
      const bytes = await fs.readFile(services.mail.fileOf(messageId)).catch(() => null);
      if (!bytes) throw new Problem(404, 'Not sent yet', 'The mail server has not taken this message yet.');
      response.type('message/rfc822');
      response.setHeader('Content-Disposition', `attachment; filename="message.eml"`);
      return bytes;
    },
  }),
];
