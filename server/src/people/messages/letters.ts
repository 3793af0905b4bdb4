import type { Fate } from '@slate-path/core/people/messages/fate';
import type { LetterRow } from '../../database/letterEntities';
import type { Sql } from '../../database/sql';

export type NewLetter = Pick<
  LetterRow,
  'id' | 'kind' | 'aboutId' | 'teacherId' | 'name' | 'address' | 'subject' | 'body' | 'writtenAt'
>;

const at = (now: number) => new Date(now).toISOString();

/** Puts a letter among those that wait; one that is there already stays as it is. */
export function addLetter(sql: Sql, letter: NewLetter & { insteadOf?: string }, now: number): void {
  sql.run(
    `INSERT OR IGNORE INTO "letter" ("id", "kind", "aboutId", "teacherId", "insteadOf", "name", "address", "subject", "body", "writtenAt", "queuedAt", "state", "changedAt") VALUES (:id, :kind, :aboutId, :teacherId, :insteadOf, :name, :address, :subject, :body, :writtenAt, :now, 'waiting', :now)`,
    { insteadOf: null, ...letter, now: at(now) },
  );
}

/** The letters of some messages: one to each address. The first has the message's id. */
const ofMessages = (state: 'waiting' | 'elsewhere', which: string) =>
  `INSERT OR IGNORE INTO "letter" ("id", "kind", "aboutId", "teacherId", "name", "address", "writtenAt", "queuedAt", "state", "nextAt", "changedAt") SELECT m."id" || CASE a."key" WHEN 0 THEN '' ELSE '.' || (a."key" + 1) END, 'message', m."id", m."teacherId", '', a."value", m."writtenAt", :now, '${state}', m."notBefore", :now FROM "message" m, json_each(m."addresses") a WHERE ${which}`;

/** Makes the letters of messages that have none yet. */
export function addLettersOfMessages(sql: Sql, now: number): void {
  sql.run(
    ofMessages(
      'waiting',
      'NOT m."removed" AND NOT EXISTS (SELECT 1 FROM "letter" WHERE "aboutId" = m."id") ORDER BY m."id", a."key"',
    ),
    { now: at(now) },
  );
}

/** Letters of messages that were written on another server went out there. */
export function addLettersFromElsewhere(sql: Sql, messageIds: readonly string[], now: string): void {
  for (const id of messageIds) sql.run(ofMessages('elsewhere', 'm."id" = :id'), { id, now });
}

/** The letter that is next, those that were never tried first. */
export function dueLetter(sql: Sql, now: number): LetterRow | undefined {
  return sql.get<LetterRow>(
    `SELECT * FROM "letter" WHERE "state" = 'waiting' AND ("nextAt" IS NULL OR "nextAt" <= ?) ORDER BY "nextAt" IS NOT NULL, "nextAt", "id" LIMIT 1`,
    at(now),
  );
}

/** When the next letter is due, in milliseconds since the epoch; null where none has to wait for a time. */
export function nextDue(sql: Sql): number | null {
  const found = sql.get<{ next: string | null }>(
    `SELECT MIN("nextAt") AS "next" FROM "letter" WHERE "state" = 'waiting'`,
  );
  return found?.next ? Date.parse(found.next) : null;
}

/** A try begins: should it be broken off, the letter may have arrived. */
export function beginHanding(sql: Sql, id: string, now: number): void {
  sql.run('UPDATE "letter" SET "handingSince" = ? WHERE "id" = ?', at(now), id);
}

/** Of tries that a stop broke off nobody knows how they ended: the letters are tried again, with the same Message-ID. */
export function resumeHanding(sql: Sql): void {
  sql.run(
    `UPDATE "letter" SET "mayBeTwice" = 1, "handingSince" = NULL WHERE "state" = 'waiting' AND "handingSince" IS NOT NULL`,
  );
}

/** A letter has come to an end. What it said is not kept any longer than that. */
export function settle(
  sql: Sql,
  id: string,
  state: LetterRow['state'],
  now: number,
  why: { reason: LetterRow['reason']; said: string | null } = { reason: null, said: null },
): void {
  sql.run(
    'UPDATE "letter" SET "state" = :state, "changedAt" = :now, "handingSince" = NULL, "nextAt" = NULL, "subject" = NULL, "body" = NULL, "tries" = "tries" + 1, "reason" = :reason, "said" = :said WHERE "id" = :id',
    { id, state, now: at(now), ...why },
  );
}

/** A letter is tried again later. */
export function tryLater(
  sql: Sql,
  id: string,
  { reason }: Fate,
  said: string,
  { now, nextAt }: { now: number; nextAt: number },
): void {
  sql.run(
    'UPDATE "letter" SET "tries" = "tries" + 1, "nextAt" = :nextAt, "changedAt" = :now, "handingSince" = NULL, "reason" = :reason, "said" = :said WHERE "id" = :id',
    { id, now: at(now), nextAt: at(nextAt), reason, said },
  );
}

/** A try came to nothing through no fault of the letter. */
export function stillWaits(sql: Sql, id: string): void {
  sql.run('UPDATE "letter" SET "handingSince" = NULL WHERE "id" = ?', id);
}

/** Gives up what has waited since before a moment. @returns whose letters they were */
export function giveUp(sql: Sql, before: number, now: number, reason: Fate['reason']): string[] {
  const which = `"state" = 'waiting' AND "queuedAt" < :before`;
  const given = sql.all<{ id: string; teacherId: string }>(
    `SELECT "id", "teacherId" FROM "letter" WHERE ${which}`,
    { before: at(before) },
  );
  for (const { id } of given) settle(sql, id, 'given_up', now, { reason, said: null });
  return given.map(({ teacherId }) => teacherId);
}

/** The letters that somebody wrote. */
export function lettersBy(sql: Sql, teacherId: string): LetterRow[] {
  return sql.all<LetterRow>(
    'SELECT * FROM "letter" WHERE "teacherId" = ? ORDER BY "queuedAt", "id"',
    teacherId,
  );
}

/** The letters of what somebody wrote in one go; of one that was sent again, the last. */
export function lettersOfNotice(sql: Sql, noticeId: string, teacherId: string): LetterRow[] {
  return sql.all<LetterRow>(
    `SELECT l.* FROM "letter" l JOIN "message" m ON m."id" = l."aboutId" WHERE m."noticeId" = :noticeId AND NOT m."removed" AND l."teacherId" = :teacherId AND l."id" NOT IN (SELECT "insteadOf" FROM "letter" WHERE "insteadOf" IS NOT NULL) ORDER BY l."queuedAt", l."id"`,
    { noticeId, teacherId },
  );
}

export function letterById(sql: Sql, id: string): LetterRow | undefined {
  return sql.get<LetterRow>('SELECT * FROM "letter" WHERE "id" = ?', id);
}

/** The letters about something, those that were sent again too. */
export function letterIdsAbout(sql: Sql, aboutId: string): string[] {
  return sql
    .all<{ id: string }>('SELECT "id" FROM "letter" WHERE "aboutId" = ?', aboutId)
    .map(({ id }) => id);
}

/** The last letter about something; null where none was written. */
export function lastLetterAbout(sql: Sql, aboutId: string): LetterRow | null {
  return (
    sql.get<LetterRow>('SELECT * FROM "letter" WHERE "aboutId" = ? ORDER BY rowid DESC LIMIT 1', aboutId) ??
    null
  );
}

/** What waits still is not sent any more. */
export function withdrawLetters(sql: Sql, aboutId: string): void {
  sql.run(`DELETE FROM "letter" WHERE "aboutId" = ? AND "state" = 'waiting'`, aboutId);
}

/** What nothing is to be sent of any more, or what goes with an erased student. */
export function forgetLetters(sql: Sql, aboutId: string): void {
  sql.run('DELETE FROM "letter" WHERE "aboutId" = ?', aboutId);
}
