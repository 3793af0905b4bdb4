/**
 * The daily roll-ups of activity: what a student did on a day, of one kind and in one place (`activityDay`), and in all
 * (`activityTotal`). Triggers keep them in the transaction in which the actions are written, whoever writes them: a
 * file, an archive, taking back, erasing. What is added is counted on; where anything else happens to an action, its
 * day is counted anew.
 */

const key = ['scopeId', 'studentId', 'day'];
const finer = ['kind', 'place'];
const keys = { activityDay: [...key, ...finer], activityTotal: key };
type RollUp = keyof typeof keys;
const rollUps = Object.keys(keys) as RollUp[];

const quoted = (names: readonly string[]) => names.map((name) => `"${name}"`).join(', ');
const columnsOf = (table: RollUp) =>
  quoted([...keys[table], 'count', 'seconds', 'firstAt', 'lastAt', 'hours']);

type Side = 'old' | 'new';
/** Of an action's own columns; `day` is none of them. */
const sameOf = (table: RollUp, row: Side) =>
  keys[table]
    .filter((name) => name !== 'day')
    .map((name) => `"${name}" = ${row}."${name}"`)
    .join(' AND ');
const dayOf = (row: Side) => `substr(${row}."at", 1, 10)`;
/** A day's moments begin with it; after `T` comes `U`. */
const onDayOf = (row: Side) => `"at" >= ${dayOf(row)} AND "at" < ${dayOf(row)} || 'U'`;
const wholeMoment = (at: string) => `substr(${at} || ':00', 1, 19)`;
/** Each hour in which something was done is one bit. */
const hourBit = (at: string) => `1 << CAST(substr(${at}, 12, 2) AS integer)`;

const forget = (table: RollUp, row: Side) =>
  `DELETE FROM "${table}" WHERE ${sameOf(table, row)} AND "day" = ${dayOf(row)};`;

/** Bits that differ add up to what they are together. */
function count(table: RollUp, where: string): string {
  const at = '"at"';
  const selected = keys[table].map((name) => (name === 'day' ? `substr(${at}, 1, 10)` : `"${name}"`));
  return `INSERT INTO "${table}" (${columnsOf(table)}) SELECT ${selected.join(', ')}, count(*), sum(coalesce("seconds", 0)), min(${wholeMoment(at)}), max(${wholeMoment(at)}), sum(DISTINCT ${hourBit(at)}) FROM "activity" WHERE ${where}NOT "removed" GROUP BY ${keys[table].map((_, index) => index + 1).join(', ')};`;
}

function addNew(table: RollUp): string {
  const at = 'new."at"';
  const values = keys[table].map((name) => (name === 'day' ? dayOf('new') : `new."${name}"`));
  return `INSERT INTO "${table}" (${columnsOf(table)}) VALUES (${values.join(', ')}, 1, coalesce(new."seconds", 0), ${wholeMoment(at)}, ${wholeMoment(at)}, ${hourBit(at)}) ON CONFLICT (${quoted(keys[table])}) DO UPDATE SET "count" = "count" + 1, "seconds" = "seconds" + excluded."seconds", "firstAt" = min("firstAt", excluded."firstAt"), "lastAt" = max("lastAt", excluded."lastAt"), "hours" = "hours" | excluded."hours";`;
}

const anew = (row: Side) =>
  rollUps
    .map((table) => forget(table, row) + count(table, `${sameOf(table, row)} AND ${onDayOf(row)} AND `))
    .join(' ');

const decisive = ['removed', 'scopeId', 'studentId', 'at', 'kind', 'place', 'seconds'];

export const activityDayTriggers = {
  activity_counted: `CREATE TRIGGER "activity_counted" AFTER INSERT ON "activity" WHEN NOT new."removed" BEGIN ${rollUps.map(addNew).join(' ')} END`,
  activity_counted_anew: `CREATE TRIGGER "activity_counted_anew" AFTER UPDATE OF ${quoted(decisive)} ON "activity" BEGIN ${anew('old')} ${anew('new')} END`,
  activity_uncounted: `CREATE TRIGGER "activity_uncounted" AFTER DELETE ON "activity" BEGIN ${anew('old')} END`,
};

/** The tables that the triggers fill. */
export const rollUpTables = rollUps.map((table) => {
  const texts = quoted(keys[table]).replaceAll(/(?<=")(?=,|$)/g, ' text NOT NULL');
  return `CREATE TABLE "${table}" (${texts}, "count" integer NOT NULL, "seconds" real NOT NULL, "firstAt" text NOT NULL, "lastAt" text NOT NULL, "hours" integer NOT NULL, PRIMARY KEY (${quoted(keys[table])})) WITHOUT ROWID`;
});

/** All days from all actions, where none were counted yet. */
export const countEveryDay = rollUps.map((table) => count(table, ''));
