import { z } from 'zod';
import { Id, Instant, name } from '../records/values';
import { Done, type Endpoint } from './endpoint';
import { storeAddress } from '../work/feed/storeAddress';

const ofClass = z.object({ sectionId: Id });
const ofFeed = z.object({ sectionId: Id, feedId: Id });

/** A record store that a class's activity comes from, as it is set; its password is only ever given, never answered. */
const Feed = z.object({
  id: z.string(),
  name: z.string(),
  address: z.string(),
  userName: z.string(),
  /** IRI of the one course that is asked for; empty for all that the store has. */
  course: z.string(),
  /** Actions taken in so far. */
  brought: z.int(),
  /** The last times that something came, the latest first. */
  rounds: z.array(
    z.object({
      changeId: z.string(),
      at: Instant,
      actions: z.int(),
      handIns: z.int(),
      /** Changes that are taken back with it. */
      also: z.array(z.string()),
      isTakenBack: z.boolean(),
    }),
  ),
  lastWorkedAt: Instant.nullable(),
  /** Why it does not work, a sentence; null while it does. */
  failure: z.string().nullable(),
  failingSince: Instant.nullable(),
  /** When it is asked again by itself. */
  nextAt: Instant.nullable(),
  isAsking: z.boolean(),
  /** Who is not known here, those with the most actions first. */
  strangers: z.array(
    z.object({
      written: z.string(),
      name: z.string(),
      email: z.string(),
      schoolId: z.string(),
      actions: z.int(),
      candidates: z.array(z.string()),
    }),
  ),
  /** Actions of nobody in the class, whether it was said who they are or not. */
  ofNobody: z.int(),
  /** Statements that could not be read. */
  notRead: z.int(),
});

/** What a look at the store came to. */
const Asked = z.object({
  added: z.int(),
  ofNobody: z.int(),
  failure: z.string().nullable(),
  /** There is more, which is asked for now. */
  more: z.boolean(),
});

export const feedEndpoints = {
  feeds: {
    summary: 'The record stores that the activity of a class comes from, and how each works.',
    params: ofClass,
    answer: z.object({ feeds: z.array(Feed) }),
  },
  setFeed: {
    summary: 'Sets a record store, new or known, that is asked for statements every few minutes from now on.',
    params: ofClass,
    body: z.strictObject({
      id: Id,
      name: name.min(1, 'A name is needed'),
      address: storeAddress,
      userName: z.string().max(200),
      /** Null leaves it as it was. */
      password: z.string().max(500).nullable(),
      course: z.string().trim().max(500),
    }),
    answer: Done,
  },
  endFeed: {
    summary: 'A store is asked no more, and its password is forgotten. What came from it stays.',
    params: ofFeed,
    answer: Done,
  },
  askFeed: {
    summary:
      'Asks a store now; from its first statement on where that is wanted. What is here already stays once.',
    params: ofFeed,
    body: z.strictObject({ fromBeginning: z.boolean().default(false) }),
    answer: Asked,
  },
} satisfies Record<string, Endpoint>;
