import { createHash } from 'node:crypto';
import path from 'node:path';
import { matchWritten } from '@slate-path/core/work/bring/matchWritten';
import type { FeedRow, FeedState, Stranger, WaitingPart } from '../../database/feedEntity';
import type { Clock } from '../../clock';
import type { OpenDatabase } from '../../database/open';
import type { Jobs } from '../../jobs/jobs';
import { packed, withIds } from '../actionParts';
import { bringActivity } from '../bringActivity';
import { classOf, zoneOf, type ClassKnown } from '../classOf';
import type { ActionOfStudent } from '../actionParts';
import { bringParts } from './bringParts';
import { askPage, firstPage, nextPage, StoreProblem, voidedPage, type StoreAccess } from './askStore';
import { erasedStudents } from '../../keeping/erasure/erased';
import { setState, takenBack } from './feeds';
import { isForgotten } from './forgotten';
import type { FeedPageRead, PartOfStudent } from './readFeedPage';
import { OtherKey, unseal } from '../../accounts/secret';

/** What asking needs of the server. */
export interface FeedServices {
  database: OpenDatabase;
  jobs: Jobs;
  clock: Clock;
  /** Lets the open pages of some people hear of changes. */
  tell(people: Iterable<string>, changes: readonly unknown[]): void;
}

/** What one look came to. */
export interface Look {
  added: number;
  ofNobody: number;
  failure: string | null;
  /** There are more pages than one look takes. */
  more: boolean;
}

const most = { pages: 40, strangers: 60, rounds: 12, waiting: 1000 } as const;
/**
 * Stores take statements by several doors: one that was stored a moment before another may be seen a moment after it.
 * So far back is asked again; what is here already stays once.
 */
const overlapMs = 120_000;

/** Who writes what comes: the one who set the feed while they teach the class, else another who does. */
export function writerOfFeed({ database }: FeedServices, { sectionId, teacherId }: FeedRow): string | null {
  const found = database.lookUp.get<{ personId: string }>(
    `SELECT "personId" FROM "access" WHERE "scopeId" = ? AND "role" = 'teacher' ORDER BY "personId" = ? DESC LIMIT 1`,
    sectionId,
    teacherId,
  );
  return found?.personId ?? null;
}

/** Strangers apart from those who are known by now, by an answer or on the list of the class. */
function sorted(strangers: readonly Stranger[], { students, remembered }: ClassKnown) {
  const people = strangers.map((stranger) => ({ ...stranger, lines: [] }));
  const who = matchWritten(people, students, new Map(remembered));
  const open = new Map(who.unmatched.map(({ person, candidates }) => [person, candidates]));
  return {
    known: strangers.filter((_, index) => who.students.has(index)),
    still: strangers.flatMap((stranger, index) => {
      const candidates = open.get(index);
      return candidates ? [{ ...stranger, candidates }] : [];
    }),
  };
}

const keyOf = ({ email, schoolId, name }: Stranger) => JSON.stringify([email, schoolId, name]);

/** Those who were told of before, with what is new of them. */
function joined(before: readonly Stranger[], found: readonly Stranger[]): Stranger[] {
  const all = new Map(before.map((stranger) => [keyOf(stranger), stranger]));
  for (const stranger of found) {
    const known = all.get(keyOf(stranger));
    all.set(
      keyOf(stranger),
      known
        ? {
            ...stranger,
            actions: known.actions + stranger.actions,
            firstStored: Math.min(known.firstStored, stranger.firstStored),
          }
        : stranger,
    );
  }
  return [...all.values()].sort((a, b) => b.actions - a.actions).slice(0, most.strangers);
}

/** What some pages together said. */
interface Gathered {
  actions: ActionOfStudent[];
  parts: PartOfStudent[];
  voided: Set<string>;
  /** Actions of voided statements, as they were written. */
  gone: ActionOfStudent[];
  strangers: Stranger[];
  ofNobody: number;
  notRead: number;
  through: number | null;
  counted: number | null;
  version: string;
  digest: ReturnType<typeof createHash>;
  /** The address of the page after the last one that was read; null after the last of all. */
  next: string | null;
}

const later = (a: number | null, b: number | null) => (a === null || b === null ? (a ?? b) : Math.max(a, b));

/** One look at one store: pages until there are no more, and what they said written as one change. */
class LookAt {
  private readonly gathered: Gathered;

  constructor(
    private readonly services: FeedServices,
    private readonly feed: FeedRow,
    private readonly access: StoreAccess,
    private readonly known: ClassKnown & { zone: string },
    private readonly closing: AbortSignal,
  ) {
    const { version } = access;
    const digest = createHash('sha256');
    const none = { actions: [], parts: [], gone: [], strangers: [], ofNobody: 0, notRead: 0 };
    const nowhere = { through: null, counted: null, next: null };
    this.gathered = { ...none, ...nowhere, voided: new Set(), version, digest };
  }

  /** @param first the page to begin with */
  async from(first: URL): Promise<{ gathered: Gathered; failure: string | null }> {
    try {
      let url: URL | null = first;
      for (let page = 0; url && page < most.pages; page += 1) url = await this.page(url);
      this.gathered.next = url?.href ?? null;
      return { gathered: this.gathered, failure: null };
    } catch (error) {
      if (!(error instanceof StoreProblem)) throw error;
      return { gathered: this.gathered, failure: error.message };
    }
  }

  /** The actions of statements that do not count any more, as they were written. */
  private async gone(voided: readonly string[]): Promise<ActionOfStudent[]> {
    const gone: ActionOfStudent[] = [];
    for (const id of voided) {
      try {
        const { bytes } = await askPage(voidedPage(this.access, id), this.access, this.closing);
        const list = Buffer.concat([Buffer.from('{"statements":['), bytes, Buffer.from(']}')]);
        gone.push(...(await this.read(list)).actions);
      } catch (error) {
        // A store that has it no more cannot say what it was; any other trouble is tried again with this page.
        if (!(error instanceof StoreProblem && error.status === 404)) throw error;
      }
    }
    return gone;
  }

  private async page(url: URL): Promise<URL | null> {
    const { gathered } = this;
    const answer = await askPage(url, { ...this.access, version: gathered.version }, this.closing);
    const read = await this.read(answer.bytes);
    gathered.gone.push(...(await this.gone(read.voided)));
    gathered.version = answer.version;
    gathered.digest.update(answer.bytes);
    for (const action of read.actions) gathered.actions.push(action);
    gathered.parts.push(...read.parts);
    for (const id of read.voided) gathered.voided.add(id);
    gathered.strangers.push(...read.strangers);
    gathered.ofNobody += read.ofNobody;
    gathered.notRead += read.notRead;
    // What the store says itself is nearer to the truth than the last statement.
    const sure =
      answer.through !== null && read.lastStored !== null
        ? Math.min(answer.through, read.lastStored)
        : read.lastStored;
    gathered.through = later(gathered.through, sure);
    gathered.counted = later(gathered.counted, read.lastStored);
    return read.more ? nextPage(url, read.more) : null;
  }

  private async read(bytes: Uint8Array): Promise<FeedPageRead> {
    const { students, remembered, zone } = this.known;
    const { counted } = this.feed.state;
    const request = { bytes, zone, students, remembered, counted };
    const read = await this.services.jobs.run('readFeedPage', request);
    if ('refused' in read) throw new StoreProblem(read.refused);
    return read;
  }
}

/** A look that was made: from which moment, with whom known and whom not, and what it came to. */
interface LookMade {
  since: number | null;
  settled: readonly Stranger[];
  still: readonly Stranger[];
  gathered: Gathered;
  failure: string | null;
  waiting: WaitingPart[];
  brought: { changeId: string | null; added: number; handIns: number; changes: readonly { id: string }[] };
}

/** How a feed stands after a look. */
function after(feed: FeedRow, look: LookMade, at: string): FeedState {
  const { state } = feed;
  const { since, settled, still, gathered, failure } = look;
  const { added, handIns, changes } = look.brought;
  const [changeId, ...also] = [look.brought.changeId ?? [], changes.map(({ id }) => id)].flat();
  const isWhole = failure === null && gathered.next === null;
  // Who is known now stays on the list until all that they did since then was asked for.
  const isDone = ({ firstStored }: Stranger) => isWhole && (since === null || since <= firstStored);
  const done = settled.filter(isDone);
  const doneActions = done.reduce((sum, { actions }) => sum + actions, 0);
  const strangers = joined([...still, ...settled.filter((one) => !isDone(one))], gathered.strangers);
  return {
    ...state,
    through: later(state.through, gathered.through),
    counted: later(state.counted, gathered.counted),
    // A page to go on with may be gone when the store works again: then it is asked by the moment.
    next: failure === null && gathered.next !== null ? { address: gathered.next, since } : null,
    version: gathered.version,
    brought: state.brought + added,
    rounds: changeId
      ? [{ changeId, at, actions: added, handIns, also }, ...state.rounds].slice(0, most.rounds)
      : state.rounds,
    lastWorkedAt: failure === null ? at : state.lastWorkedAt,
    failure,
    failingSince: failure === null ? null : (state.failingSince ?? at),
    failures: failure === null ? 0 : state.failures + 1,
    // By the state as it is now: somebody may have been erased during the look.
    strangers: strangers.filter((stranger) => !isForgotten(feed, stranger)),
    ofNobody: Math.max(0, state.ofNobody - doneActions) + gathered.ofNobody,
    notRead: state.notRead + gathered.notRead,
    waiting: look.waiting,
  };
}

/** The page that a look begins with, and from which moment on it asks; null for all that the store has. */
function beginning(
  { state }: FeedRow,
  settled: readonly Stranger[],
  access: StoreAccess,
): { first: URL; since: number | null } {
  const whole = firstPage(access, null);
  if (state.next) return { first: nextPage(whole, state.next.address), since: state.next.since };
  if (state.through === null) return { first: whole, since: null };
  const since = Math.min(state.through, ...settled.map(({ firstStored }) => firstStored)) - overlapMs;
  return { first: firstPage(access, since), since };
}

/** Asks a store for what is new, writes it, and notes how it went. What came before a failure is kept. */
export async function askFeed(services: FeedServices, feed: FeedRow, closing: AbortSignal): Promise<Look> {
  const { database, clock } = services;
  const { name, sectionId, address, userName, course, state } = feed;
  const at = () => new Date(clock()).toISOString();
  const failed = async (failure: string): Promise<Look> => {
    await database.write((sql) => {
      setState(sql, feed, (now) => ({
        ...now,
        failure,
        failingSince: now.failingSince ?? at(),
        failures: now.failures + 1,
      }));
    });
    return { added: 0, ofNobody: 0, failure, more: false };
  };
  const teacherId = writerOfFeed(services, feed);
  if (teacherId === null) return failed('Nobody teaches this class any more.');
  let password: string;
  try {
    password = unseal(path.dirname(database.file), feed.secret);
  } catch (error) {
    if (error instanceof OtherKey)
      return failed('Its password is not on this server: it is in no backup. Enter it again.');
    throw error;
  }
  const known = {
    ...(await classOf(sectionId, teacherId, database)),
    zone: await zoneOf(teacherId, database),
  };
  const { known: settled, still } = sorted(state.strangers, known);
  const access = { address, userName, password, course, version: state.version };
  const look = new LookAt(services, feed, access, known, closing);
  const { first, since } = beginning(feed, settled, access);
  const { gathered, failure } = await look.from(first);
  const heard = new Set<string>();
  const place = { database, clock, teacherId, sectionId, heard };
  const source = { name, digest: gathered.digest.digest('hex'), comes: 'feed' } as const;
  const counting = gathered.actions.filter(([, , , , , , ref]) => ref === null || !gathered.voided.has(ref));
  const brought = await bringActivity(
    place,
    source,
    packed(await withIds(place.sectionId, counting)),
    gathered.gone,
  );
  // Only what came now: what was taken back is not written again.
  const fresh = gathered.parts.filter(({ ref }) => ref !== null && brought.fresh.has(ref));
  const undone = takenBack(database.lookUp, sectionId);
  const waiting = state.waiting.filter(({ changeId }) => !undone.has(changeId));
  const { handIns, changes, unplaced } = await bringParts(place, source, [
    ...waiting,
    ...fresh.map((part) => ({ ...part, changeId: brought.changeId ?? '' })),
  ]);
  const made = { since, settled, still, gathered, failure };
  await database.write((sql) => {
    const erased = new Set(erasedStudents(sql, teacherId));
    const left = unplaced.filter(({ studentId }) => !erased.has(studentId)).slice(-most.waiting);
    const all = { ...made, waiting: left, brought: { ...brought, handIns, changes } };
    setState(sql, feed, (now) => after({ ...feed, state: now }, all, at()));
  });
  const isNews =
    brought.changeId !== null || changes.length > 0 || (failure === null) !== (state.failure === null);
  const told = { kind: 'activity.bring', payload: { sectionId } };
  if (isNews) services.tell([teacherId, ...heard], [told, ...changes]);
  return {
    added: brought.added,
    ofNobody: gathered.ofNobody,
    failure,
    more: failure === null && gathered.next !== null,
  };
}
