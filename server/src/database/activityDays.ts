/**
 * The daily roll-up of activity: what a student did on a day, of one kind and in one place. Triggers keep it in the
 * transaction in which the actions are written, whoever writes them: a file, an archive, taking back, erasing.
 * What is added is counted on; where anything else happens to an action, its day is counted anew.
 */

const groupOf = (row: 'old' | 'new') =>
  `"scopeId" = ${row}."scopeId" AND "studentId" = ${row}."studentId" AND "kind" = ${row}."kind" AND "place" = ${row}."place"`;
/** A day's moments begin with it; after `T` comes `U`. */
const onDayOf = (row: 'old' | 'new') =>
  `"at" >= substr(${row}."at", 1, 10) AND "at" < substr(${row}."at", 1, 10) || 'U'`;
const seconds = `substr("at" || ':00', 1, 19)`;
/** Each hour in which something was done is one bit. */
const hourBit = `1 << CAST(substr("at", 12, 2) AS integer)`;

const forget = (row: 'old' | 'new') =>
  `DELETE FROM "activityDay" WHERE ${groupOf(row)} AND "day" = substr(${row}."at", 1, 10);`;
/** Bits that differ add up to what they are together. */
const countAnew = (row: 'old' | 'new') =>
  `INSERT INTO "activityDay" ("scopeId", "studentId", "day", "kind", "place", "count", "seconds", "firstAt", "lastAt", "hours") SELECT "scopeId", "studentId", substr("at", 1, 10), "kind", "place", count(*), sum(coalesce("seconds", 0)), min(${seconds}), max(${seconds}), sum(DISTINCT ${hourBit}) FROM "activity" WHERE ${groupOf(row)} AND ${onDayOf(row)} AND NOT "removed" GROUP BY 1, 2, 3, 4, 5;`;

const addNew = `INSERT INTO "activityDay" ("scopeId", "studentId", "day", "kind", "place", "count", "seconds", "firstAt", "lastAt", "hours") VALUES (new."scopeId", new."studentId", substr(new."at", 1, 10), new."kind", new."place", 1, coalesce(new."seconds", 0), substr(new."at" || ':00', 1, 19), substr(new."at" || ':00', 1, 19), 1 << CAST(substr(new."at", 12, 2) AS integer)) ON CONFLICT ("scopeId", "studentId", "day", "kind", "place") DO UPDATE SET "count" = "count" + 1, "seconds" = "seconds" + excluded."seconds", "firstAt" = min("firstAt", excluded."firstAt"), "lastAt" = max("lastAt", excluded."lastAt"), "hours" = "hours" | excluded."hours";`;

const decisive = ['removed', 'scopeId', 'studentId', 'at', 'kind', 'place', 'seconds'];

export const activityDayTriggers = {
  activity_counted: `CREATE TRIGGER "activity_counted" AFTER INSERT ON "activity" WHEN NOT new."removed" BEGIN ${addNew} END`,
  activity_counted_anew: `CREATE TRIGGER "activity_counted_anew" AFTER UPDATE OF ${decisive.map((name) => `"${name}"`).join(', ')} ON "activity" BEGIN ${forget('old')} ${countAnew('old')} ${forget('new')} ${countAnew('new')} END`,
  activity_uncounted: `CREATE TRIGGER "activity_uncounted" AFTER DELETE ON "activity" BEGIN ${forget('old')} ${countAnew('old')} END`,
};

/** All days from all actions, where none were counted yet. */
export const countEveryDay = `INSERT INTO "activityDay" ("scopeId", "studentId", "day", "kind", "place", "count", "seconds", "firstAt", "lastAt", "hours") SELECT "scopeId", "studentId", substr("at", 1, 10), "kind", "place", count(*), sum(coalesce("seconds", 0)), min(${seconds}), max(${seconds}), sum(DISTINCT ${hourBit}) FROM "activity" WHERE NOT "removed" GROUP BY 1, 2, 3, 4, 5`;
