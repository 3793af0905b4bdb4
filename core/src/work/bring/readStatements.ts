import { z } from 'zod';
import { localSeconds } from '../../keeping/archive/localSeconds';
import { TableError } from '../../formats/table';
import { People } from './people';
import type { ActionRead, LineSaid, PersonWritten, WorkReading } from './reading';
import { handInsOf, partOf, type StatementPart } from './statementParts';
import { verbKinds, voided } from './verbs';

const Text = z.record(z.string(), z.string());
const Account = z.object({ homePage: z.string().optional(), name: z.string() });
const Actor = z.object({
  objectType: z.string().optional(),
  name: z.string().optional(),
  mbox: z.string().optional(),
  mbox_sha1sum: z.string().optional(),
  account: Account.optional(),
});
const Activity = z.object({
  objectType: z.string().optional(),
  id: z.string().optional(),
  definition: z.object({ name: Text.optional() }).optional(),
});

/** A statement of the Experience API, 1.0.3 or 2.0 (IEEE 9274.1.1): as much of it as is read here. */
export const Statement = z.object({
  id: z.string().optional(),
  actor: Actor,
  verb: z.object({ id: z.string(), display: Text.optional() }),
  object: Activity,
  result: z
    .object({
      duration: z.string().optional(),
      score: z
        .object({
          scaled: z.number().optional(),
          raw: z.number().optional(),
          max: z.number().optional(),
        })
        .optional(),
    })
    .optional(),
  context: z
    .object({
      platform: z.string().optional(),
      contextActivities: z
        .object({
          parent: z.union([Activity, z.array(Activity)]).optional(),
          grouping: z.union([Activity, z.array(Activity)]).optional(),
        })
        .optional(),
    })
    .optional(),
  timestamp: z.string().optional(),
  stored: z.string().optional(),
});
type Statement = z.output<typeof Statement>;

/** A statement that may be one, with its place. */
export interface Numbered {
  value: unknown;
  line: number;
}

const sizes = { Y: 31_536_000, W: 604_800, D: 86_400, H: 3600, M: 60, S: 1 } as const;

/** An ISO 8601 duration in seconds; months are not used for work. @returns null for what is none */
export function durationSeconds(written: string): number | null {
  const found =
    /^P(?:(\d+(?:\.\d+)?)Y)?(?:(\d+(?:\.\d+)?)W)?(?:(\d+(?:\.\d+)?)D)?(?:T(?:(\d+(?:\.\d+)?)H)?(?:(\d+(?:\.\d+)?)M)?(?:(\d+(?:\.\d+)?)S)?)?$/.exec(
      written,
    );
  if (!found || written === 'P' || written.endsWith('T')) return null;
  const parts = found.slice(1).map((part: string | undefined) => Number(part ?? 0));
  const [years = 0, weeks = 0, days = 0, hours = 0, minutes = 0, seconds = 0] = parts;
  return (
    years * sizes.Y +
    weeks * sizes.W +
    days * sizes.D +
    hours * sizes.H +
    minutes * sizes.M +
    seconds * sizes.S
  );
}

/** In the first language there is, English first. */
function textOf(map: Record<string, string> | undefined): string {
  if (!map) return '';
  const english = Object.keys(map).find((language) => language.toLowerCase().startsWith('en'));
  return (english === undefined ? Object.values(map)[0] : map[english]) ?? '';
}

const lastPart = (iri: string) =>
  decodePart(
    iri
      .replace(/[/#]+$/, '')
      .split(/[/#]/)
      .at(-1) ?? '',
  );

function decodePart(part: string): string {
  try {
    return decodeURIComponent(part).replace(/[-_]+/g, ' ');
  } catch {
    return part;
  }
}

const nameOf = (activity: z.output<typeof Activity> | undefined) =>
  activity ? textOf(activity.definition?.name) || lastPart(activity.id ?? '') : '';

function placeOf({ context }: Statement): string {
  const { grouping, parent } = context?.contextActivities ?? {};
  const first = (some: typeof grouping) => (Array.isArray(some) ? some[0] : some);
  return nameOf(first(grouping) ?? first(parent)) || (context?.platform ?? '');
}

function personOf({ actor }: Statement) {
  const email = actor.mbox?.replace(/^mailto:/i, '').toLowerCase() ?? '';
  const account = actor.account?.name ?? '';
  const isAddress = account.includes('@');
  const schoolId = actor.mbox_sha1sum ? `sha1:${actor.mbox_sha1sum.toLowerCase()}` : isAddress ? '' : account;
  return { name: actor.name ?? '', email: email || (isAddress ? account.toLowerCase() : ''), schoolId };
}

const longest = 200;

function actionOf(statement: Statement, zone: string, person: number, line: number): ActionRead | null {
  const when = Date.parse(statement.timestamp ?? statement.stored ?? '');
  if (Number.isNaN(when)) return null;
  const { verb, result } = statement;
  const kind = verbKinds[verb.id] ?? (textOf(verb.display) || lastPart(verb.id));
  return {
    person,
    at: localSeconds(new Date(when).toISOString(), zone),
    kind: kind.slice(0, longest),
    place: placeOf(statement).slice(0, longest),
    object: nameOf(statement.object).slice(0, longest),
    seconds: result?.duration === undefined ? null : durationSeconds(result.duration),
    ref: statement.id ?? null,
    line,
  };
}

/** The statements of a text: an array, one by itself, an answer of a record store, or one a line. */
function parsed(text: string): Numbered[] {
  const trimmed = text.trim();
  try {
    const whole: unknown = JSON.parse(trimmed);
    const list = Array.isArray(whole)
      ? whole
      : Array.isArray((whole as { statements?: unknown[] }).statements)
        ? (whole as { statements: unknown[] }).statements
        : [whole];
    return list.map((value: unknown, index) => ({ value, line: index + 1 }));
  } catch {
    return trimmed.split('\n').flatMap((line, index) => {
      if (line.trim() === '') return [];
      try {
        return [{ value: JSON.parse(line) as unknown, line: index + 1 }];
      } catch {
        return [{ value: null, line: index + 1 }];
      }
    });
  }
}

/** Does a text hold statements rather than a table? */
export const looksLikeStatements = (text: string): boolean => /^\s*[[{]/.test(text);

export interface StatementsRead {
  people: PersonWritten[];
  actions: ActionRead[];
  leftOut: LineSaid[];
  /** What they say of pieces of work. */
  parts: StatementPart[];
  /** Ids of statements that others here say do not count any more. */
  voided: string[];
}

/** Reads statements of the Experience API one by one. Voided ones are left out; what is no statement is told by its number. */
export function readEachStatement(values: readonly Numbered[], zone: string): StatementsRead {
  const people = new People();
  const leftOut: LineSaid[] = [];
  const actions: ActionRead[] = [];
  const parts: StatementPart[] = [];
  const voids = new Set<string>();
  for (const { value, line } of values) {
    const read = Statement.safeParse(value);
    if (!read.success) {
      leftOut.push({ line, reason: 'this is no statement that can be read' });
      continue;
    }
    if (read.data.verb.id === voided) {
      if (read.data.object.id) voids.add(read.data.object.id);
      continue;
    }
    const person = personOf(read.data);
    if (!person.name && !person.email && !person.schoolId) {
      leftOut.push({ line, reason: 'nobody is named' });
      continue;
    }
    const action = actionOf(read.data, zone, people.add(person, line), line);
    if (!action) {
      leftOut.push({ line, reason: 'has no time' });
      continue;
    }
    actions.push(action);
    const part = partOf(action, read.data.result);
    if (part) parts.push(part);
  }
  const counts = ({ ref }: { ref: string | null }) => ref === null || !voids.has(ref);
  return {
    people: people.list,
    actions: actions.filter(counts),
    parts: parts.filter(counts),
    leftOut,
    voided: [...voids],
  };
}

/** Reads a file of statements. @throws TableError where nothing of it is a statement */
export function readStatements(text: string, zone: string): WorkReading {
  const { people, actions, parts, leftOut, voided: voids } = readEachStatement(parsed(text), zone);
  if (actions.length === 0 && voids.length === 0)
    throw new TableError('There are no statements of activity in this file. Nothing was changed.');
  return {
    shape: 'activity',
    columns: [],
    people,
    actions,
    ...handInsOf(parts),
    onlyKnown: true,
    leftOut,
    told: [],
    order: 'day_first',
    orderUnsure: false,
  };
}
