/**
 * The daily roll-ups of activity: what a student did on a day, of one kind and in one place (`actionDay`), and in all
 * (`actionTotal`). Triggers keep them in the transaction in which the actions are written, whoever writes them: a
 * file, an archive, taking back, erasing. What is added is counted on; where anything else happens to an action, its
 * day is counted anew. Scopes, students, kinds and places are numbers of `activityWord`, moments are seconds of the
 * clocks of the school as if they were UTC, days are counted from 1970.
 */

const key = ['scope', 'student', 'day'];
const keys = { actionDay: [...key, 'kind', 'place'], actionTotal: key };
type RollUp = keyof typeof keys;
export const rollUps = Object.keys(keys) as RollUp[];

/** Seconds of a day. */
export const dayLength = 86_400;
const hourLength = 3600;

const quoted = (names: readonly string[]) => names.map((name) => `"${name}"`).join(', ');
const columnsOf = (table: RollUp) => quoted([...keys[table], 'count', 'seconds', 'first', 'last', 'hours']);

type Side = 'old' | 'new';
/** Of an action's own columns; `day` is none of them. */
const sameOf = (table: RollUp, row: Side) =>
  keys[table]
    .filter((name) => name !== 'day')
    .map((name) => `"${name}" = ${row}."${name}"`)
    .join(' AND ');
const dayOf = (at: string) => `${at} / ${dayLength}`;
const onDayOf = (row: Side) => {
  const begin = `(${dayOf(`${row}."at"`)}) * ${dayLength}`;
  return `"at" >= ${begin} AND "at" < ${begin} + ${dayLength}`;
};
/** Each hour in which something was done is one bit. */
const hourBit = (at: string) => `1 << (${at} % ${dayLength} / ${hourLength})`;

const forget = (table: RollUp, row: Side) =>
  `DELETE FROM "${table}" WHERE ${sameOf(table, row)} AND "day" = ${dayOf(`${row}."at"`)};`;

/** Bits that differ add up to what they are together. @param from the actions, with what else is said of them */
function count(table: RollUp, from: string): string {
  const selected = keys[table].map((name) => (name === 'day' ? dayOf('"at"') : `"${name}"`));
  return `INSERT INTO "${table}" (${columnsOf(table)}) SELECT ${selected.join(', ')}, count(*), sum(coalesce("seconds", 0)), min("at"), max("at"), sum(DISTINCT ${hourBit('"at"')}) FROM "action" ${from} NOT "removed" GROUP BY ${keys[table].map((_, index) => index + 1).join(', ')};`;
}

function addNew(table: RollUp): string {
  const at = 'new."at"';
  const values = keys[table].map((name) => (name === 'day' ? dayOf(at) : `new."${name}"`));
  return `INSERT INTO "${table}" (${columnsOf(table)}) VALUES (${values.join(', ')}, 1, coalesce(new."seconds", 0), ${at}, ${at}, ${hourBit(at)}) ON CONFLICT (${quoted(keys[table])}) DO UPDATE SET "count" = "count" + 1, "seconds" = "seconds" + excluded."seconds", "first" = min("first", excluded."first"), "last" = max("last", excluded."last"), "hours" = "hours" | excluded."hours";`;
}

const anew = (row: Side) =>
  rollUps
    .map((table) => forget(table, row) + count(table, `WHERE ${sameOf(table, row)} AND ${onDayOf(row)} AND`))
    .join(' ');

const decisive = ['removed', 'scope', 'student', 'at', 'kind', 'place', 'seconds'];

export const rollUpTriggers = [
  `CREATE TRIGGER "action_counted" AFTER INSERT ON "action" WHEN NOT new."removed" BEGIN ${rollUps.map(addNew).join(' ')} END`,
  `CREATE TRIGGER "action_counted_anew" AFTER UPDATE OF ${quoted(decisive)} ON "action" WHEN NOT EXISTS (SELECT 1 FROM "activityHold") BEGIN ${anew('old')} ${anew('new')} END`,
  `CREATE TRIGGER "action_uncounted" AFTER DELETE ON "action" BEGIN ${anew('old')} END`,
];

/** The tables that the triggers fill, and the one by which they are held. */
export const rollUpTables = rollUps.map((table) => {
  const numbers = quoted(keys[table]).replaceAll(/(?<=")(?=,|$)/g, ' integer NOT NULL');
  return `CREATE TABLE "${table}" (${numbers}, "count" integer NOT NULL, "seconds" real NOT NULL, "first" integer NOT NULL, "last" integer NOT NULL, "hours" integer NOT NULL, PRIMARY KEY (${quoted(keys[table])})) WITHOUT ROWID`;
});

/** While it has a row what is changed is not counted: whoever changes many actions counts their days once, after. */
export const holdTable = `CREATE TABLE "activityHold" ("n" integer PRIMARY KEY NOT NULL)`;
export const holdCounting = 'INSERT INTO "activityHold" ("n") VALUES (1)';
const touched = `SELECT DISTINCT "scope", "student", ${dayOf('"at"')} AS "day" FROM "action" WHERE "batch" = :batch`;
/** Counts anew every day on which there is an action of a batch, which stands for `:batch`. */
export const countBatch = rollUps.flatMap((table) => [
  `DELETE FROM "${table}" WHERE (${quoted(key)}) IN (${touched})`,
  count(
    table,
    `JOIN (SELECT "scope", "student", "day" AS "onDay" FROM (${touched})) USING ("scope", "student") WHERE "at" >= "onDay" * ${dayLength} AND "at" < ("onDay" + 1) * ${dayLength} AND`,
  ),
]);
export const goOnCounting = 'DELETE FROM "activityHold"';

/** All days from all actions, where none were counted yet. */
export const countEveryDay = rollUps.map((table) => count(table, 'WHERE'));
