import type { Message } from '@slate-path/core/records/schema';
import { displayName } from '@slate-path/core/people/names';
import { DeliveryEntity, recordEntities, TeacherEntity } from '../../database/entities';
import type { OpenDatabase } from '../../database/open';
import { toRecord } from '../../database/load';
import type { MailServer } from './mailServer';

type Waiting = Message & { teacherId: string };

/** Written, and not yet with the mail server, in the order of writing. */
async function waiting(database: OpenDatabase): Promise<Waiting[]> {
  const rows = await database.read
    .getRepository(recordEntities.message)
    .createQueryBuilder('message')
    .leftJoin('delivery', 'delivery', 'delivery.messageId = message.id')
    .where('delivery.messageId IS NULL AND NOT message.removed')
    .orderBy('message.id')
    .take(500)
    .getMany();
  return rows.map((row) => ({ ...toRecord<'message'>(row), teacherId: row.teacherId }));
}

async function deliver(
  database: OpenDatabase,
  mail: MailServer,
  now: number,
  { teacherId, ...message }: Waiting,
): Promise<void> {
  const student = await database.read
    .getRepository(recordEntities.student)
    .findOneByOrFail({ id: message.studentId });
  const teacher = await database.read.getRepository(TeacherEntity).findOneByOrFail({ id: teacherId });
  const studentName = displayName(toRecord<'student'>(student));
  const { id, addresses, subject, body, writtenAt, toWhom } = message;
  const name = toWhom === 'student' ? studentName : `For ${studentName}`;
  const to = addresses.map((address) => ({ name, address }));
  const file = await mail.take({ id, to, from: teacher.name, subject, body, writtenAt });
  const deliveredAt = new Date(now).toISOString();
  await database.inTransaction((manager) =>
    manager.insert(DeliveryEntity, { messageId: message.id, teacherId, deliveredAt, file }),
  );
}

/** One letter that cannot be handed over does not keep those behind it. */
async function deliverAll(database: OpenDatabase, mail: MailServer, now: number): Promise<void> {
  for (const letter of await waiting(database))
    await deliver(database, mail, now, letter).catch((error: unknown) => {
      console.error(`Message ${letter.id} is waiting: the mail server did not take it.`, error);
    });
}

/**
 * Hands what is written to the mail server, one run at a time. A run that fails leaves the rest
 * waiting: for the next message, or the next start.
 */
export class Postman {
  private last: Promise<void> = Promise.resolve();

  constructor(
    private readonly database: OpenDatabase,
    private readonly mail: MailServer,
    private readonly clock: () => number,
  ) {}

  /** Does something while no letter is on its way. */
  pause<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.last.then(work);
    this.last = mine.then(
      () => undefined,
      () => undefined,
    );
    return mine;
  }

  deliverWaiting(): Promise<void> {
    this.last = this.last
      .then(() => deliverAll(this.database, this.mail, this.clock()))
      .catch((error: unknown) => {
        console.error('Messages are waiting: the mail server did not take them.', error);
      });
    return this.last;
  }
}
