import { dayLength } from './rollUps';

/**
 * Actions are many: a year of six classes has a million. They are kept in few bytes: words and ids that repeat are
 * numbers of `activityWord`, what all actions of a change have in common stands once in `activityBatch`, moments are
 * seconds. The view `activity` shows them as records like others, to be read, written and erased as such.
 */
export const actionTables = [
  `CREATE TABLE "activityWord" ("n" integer PRIMARY KEY NOT NULL, "text" text NOT NULL)`,
  `CREATE UNIQUE INDEX "activityWord_by_text" ON "activityWord" ("text")`,
  `CREATE TABLE "activityBatch" ("n" integer PRIMARY KEY NOT NULL, "teacherId" text NOT NULL, "scopeId" text NOT NULL, "sectionId" text, "stamps" text NOT NULL)`,
  `CREATE INDEX "activityBatch_by_stamps" ON "activityBatch" ("stamps")`,
  `CREATE TABLE "action" ("n" integer PRIMARY KEY NOT NULL, "id" text NOT NULL, "batch" integer NOT NULL, "removed" boolean NOT NULL DEFAULT (0), "scope" integer NOT NULL, "student" integer NOT NULL, "at" integer NOT NULL, "kind" integer NOT NULL, "place" integer NOT NULL, "object" text NOT NULL, "seconds" real)`,
  `CREATE UNIQUE INDEX "action_by_id" ON "action" ("id")`,
  `CREATE INDEX "action_by_student_at" ON "action" ("student", "at")`,
  `CREATE INDEX "action_by_batch" ON "action" ("batch")`,
];

/** An expression of a word. @param n an expression of its number */
export const word = (n: string) => `(SELECT "text" FROM "activityWord" WHERE "n" = ${n})`;
/** @param text an expression of a word that is there */
export const numberOf = (text: string) => `(SELECT "n" FROM "activityWord" WHERE "text" = ${text})`;
/** An expression of a moment. @param at an expression of its seconds */
export const moment = (at: string) => `strftime('%Y-%m-%dT%H:%M:%S', ${at}, 'unixepoch')`;
/** An expression of the date of a day that is counted from 1970. */
export const dateOf = (day: string) => `date(${day} * ${dayLength}, 'unixepoch')`;

export const activityView = `CREATE VIEW "activity" AS SELECT "id", "teacherId", "scopeId", "removed", "stamps", "sectionId", "who"."text" AS "studentId", ${moment('"at"')} AS "at", ${word('"kind"')} AS "kind", ${word('"place"')} AS "place", "object", "seconds" FROM "action" JOIN "activityBatch" ON "activityBatch"."n" = "batch" JOIN "activityWord" AS "who" ON "who"."n" = "student"`;

const addWords = ['scopeId', 'studentId', 'kind', 'place']
  .map((name) => `INSERT OR IGNORE INTO "activityWord" ("text") VALUES (new."${name}");`)
  .join(' ');
const batchOfNew = `"stamps" = new."stamps" AND "teacherId" = new."teacherId" AND "scopeId" = new."scopeId" AND "sectionId" IS new."sectionId"`;
const addBatch = `INSERT INTO "activityBatch" ("teacherId", "scopeId", "sectionId", "stamps") SELECT new."teacherId", new."scopeId", new."sectionId", new."stamps" WHERE NOT EXISTS (SELECT 1 FROM "activityBatch" WHERE ${batchOfNew});`;
/** The columns of an action as the view has it. */
const asNumbers = {
  id: 'new."id"',
  batch: `(SELECT "n" FROM "activityBatch" WHERE ${batchOfNew})`,
  removed: 'coalesce(new."removed", 0)',
  scope: numberOf('new."scopeId"'),
  student: numberOf('new."studentId"'),
  at: 'unixepoch(new."at")',
  kind: numberOf('new."kind"'),
  place: numberOf('new."place"'),
  object: 'new."object"',
  seconds: 'new."seconds"',
};
const names = Object.keys(asNumbers).map((name) => `"${name}"`);
const values = Object.values(asNumbers);
const sets = names.map((name, index) => `${name} = ${values[index] ?? ''}`);

/** What is written as a record like others. */
export const activityTriggers = [
  `CREATE TRIGGER "activity_made" INSTEAD OF INSERT ON "activity" BEGIN ${addWords} ${addBatch} INSERT INTO "action" (${names.join(', ')}) VALUES (${values.join(', ')}); END`,
  `CREATE TRIGGER "activity_set" INSTEAD OF UPDATE ON "activity" BEGIN ${addWords} ${addBatch} UPDATE "action" SET ${sets.join(', ')} WHERE "id" = old."id"; END`,
  `CREATE TRIGGER "activity_gone" INSTEAD OF DELETE ON "activity" BEGIN DELETE FROM "action" WHERE "id" = old."id"; END`,
];

const used = ['scope', 'student', 'kind', 'place'].map((name) => `SELECT "${name}" FROM "action"`);

/** Words and batches that no action has any more. */
export const forgetUnused = [
  `DELETE FROM "activityWord" WHERE "n" NOT IN (${used.join(' UNION ')})`,
  `DELETE FROM "activityBatch" WHERE "n" NOT IN (SELECT "batch" FROM "action")`,
];
