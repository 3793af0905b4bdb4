import { format, parseISO } from 'date-fns';
import { localMoment, type LocalMoment } from '../../calendar/zone';
import { many } from '../../words/many';

/** How the asking of a store stands; moments are instants. */
export interface FeedStanding {
  brought: number;
  lastWorkedAt: string | null;
  failure: string | null;
  failingSince: string | null;
  nextAt: string | null;
  ofNobody: number;
  notRead: number;
}

export interface Here {
  /** The present moment and the zone of the school. */
  now: LocalMoment;
  zone: string;
}

/** An instant on the school's clocks: its time alone where it is today. */
export function whenAt(instant: string, { now, zone }: Here): string {
  const { date, time } = localMoment(Date.parse(instant), zone);
  return date === now.date ? time : `${format(parseISO(date), 'EEE d MMM')}, ${time}`;
}

/** How a store that is asked stands, in sentences: what came, when it last worked, what is wrong and what happens next. */
export function feedWords(
  feed: FeedStanding,
  here: Here,
): { state: string; trouble: string | null; aside: string[] } {
  const { brought, lastWorkedAt, failure, failingSince, nextAt, ofNobody, notRead } = feed;
  const nextWhen = nextAt === null ? '' : whenAt(nextAt, here);
  const next =
    nextWhen && ` It is asked again ${nextWhen === here.now.time ? 'in a moment' : `at ${nextWhen}`}.`;
  const came = brought === 0 ? 'nothing of this class came yet' : `${many(brought, 'action')} came so far`;
  const worked =
    lastWorkedAt === null ? 'Not answered yet' : `Last answered at ${whenAt(lastWorkedAt, here)}`;
  const since = failingSince === null ? '' : ` since ${whenAt(failingSince, here)}`;
  return {
    state: `${worked}; ${came}.${failure === null ? next : ''}`,
    trouble:
      failure === null
        ? null
        : `It does not work${since}. ${failure} What came before is kept, and nothing is lost.${next}`,
    aside: [
      ofNobody > 0 ? `${many(ofNobody, 'action is', 'actions are')} of nobody in this class.` : '',
      notRead > 0 ? `${many(notRead, 'statement')} could not be read.` : '',
    ].filter(Boolean),
  };
}
