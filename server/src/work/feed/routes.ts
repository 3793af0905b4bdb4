import path from 'node:path';
import type { AnswerOf } from '@slate-path/core/api/contract';
import type { FeedRow, FeedState } from '../../database/feedEntity';
import type { Sql } from '../../database/sql';
import { Problem } from '../../http/problem';
import { readerOf, route, writerOf } from '../../http/route';
import type { Services } from '../../services';
import { deleteFeed, feedOf, feedsOf, newState, takenBack, writeFeed } from './feeds';
import { seal } from '../../accounts/secret';

const done = { done: true } as const;

type FeedSaid = AnswerOf<'feeds'>['feeds'][number];

function said(
  { id, name, address, userName, course, state }: FeedRow,
  undone: ReadonlySet<string>,
  { feeds }: Services,
): FeedSaid {
  const { nextAt, isAsking } = feeds.state(id);
  const { brought, lastWorkedAt, failure, failingSince, ofNobody, notRead } = state;
  return {
    ...{ id, name, address, userName, course, brought, lastWorkedAt, failure, failingSince },
    rounds: state.rounds.map((round) => ({ ...round, isTakenBack: undone.has(round.changeId) })),
    nextAt: nextAt === null ? null : new Date(nextAt).toISOString(),
    isAsking,
    strangers: state.strangers.map(({ firstStored: _first, ...stranger }) => stranger),
    ofNobody,
    notRead,
  };
}

const notAsked = () => new Problem(404, 'Not found', 'This platform is not asked for this class any more.');

function demandFeed(sql: Sql, sectionId: string, feedId: string): void {
  if (feedOf(sql, feedId)?.sectionId !== sectionId) throw notAsked();
}

/** Another store is asked from its beginning. What came before stays told, and who was erased stays forgotten. */
function stateOfAnother(before: FeedState | undefined): FeedState {
  if (!before) return newState;
  const { brought, rounds, forgotten } = before;
  return { ...newState, brought, rounds, forgotten };
}

export const feedRoutes = [
  route('feeds', {
    allow: readerOf('section', 'sectionId', 'activity'),
    handle({ params: { sectionId }, services }) {
      const { lookUp } = services.database;
      const undone = takenBack(lookUp, sectionId);
      return Promise.resolve({
        feeds: feedsOf(lookUp, sectionId).map((feed) => said(feed, undone, services)),
      });
    },
  }),
  route('setFeed', {
    allow: writerOf('section', 'sectionId'),
    async handle({ params: { sectionId }, body, teacherId, services }) {
      const { database, feeds } = services;
      const { id, name, address, userName, password, course } = body;
      const before = feedOf(database.lookUp, id);
      if (before && before.sectionId !== sectionId) throw notAsked();
      const isSameStore = before?.address === address && before.course === course;
      // A password goes where it was given for, and nowhere else.
      if (before && password === null && before.address !== address)
        throw new Problem(422, 'Password needed', 'The address is another one: enter the password for it.');
      const secret =
        password === null && before ? before.secret : seal(path.dirname(database.file), password ?? '');
      const state = isSameStore ? before.state : stateOfAnother(before?.state);
      await database.write((sql) => {
        const row = { id, sectionId, teacherId, name, address, userName, secret, course };
        writeFeed(sql, { ...row, state: { ...state, failure: null, failingSince: null, failures: 0 } });
      });
      feeds.expect(id);
      return done;
    },
  }),
  route('endFeed', {
    allow: writerOf('section', 'sectionId'),
    async handle({ params: { sectionId, feedId }, services }) {
      const { database, feeds } = services;
      demandFeed(database.lookUp, sectionId, feedId);
      await database.write((sql) => {
        deleteFeed(sql, feedId);
      });
      feeds.forget(feedId);
      return done;
    },
  }),
  route('askFeed', {
    allow: writerOf('section', 'sectionId'),
    async handle({ params: { sectionId, feedId }, body: { fromBeginning }, services }) {
      const { database, feeds } = services;
      demandFeed(database.lookUp, sectionId, feedId);
      const look = await (fromBeginning ? feeds.askFromBeginning(feedId) : feeds.ask(feedId));
      if (look) return look;
      throw notAsked();
    },
  }),
];
