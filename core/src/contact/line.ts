import { localMoment } from '../calendar/zone';
import type { Message, Step } from '../records/schema';
import type { ContactTone, ContactWay } from './tones';

/** One contact with a student or their home: a letter from here, or a call, a talk, and the like that was noted. */
export interface ContactEntry {
  id: string;
  kind: 'message' | 'step';
  /** ISO moment, and the day of it at the school. */
  at: string;
  on: string;
  toWhom: Message['toWhom'];
  tone: ContactTone;
  /** False: nobody was reached. */
  isReached: boolean;
  /** What it was and with whom: "Call with Rosa Quispe". */
  what: string;
  /** What was said or written about. */
  words: string;
  lookAgainOn: string | null;
}

const pastWays: Record<ContactWay, string> = {
  call: 'Call',
  talk: 'Talk',
  letter: 'Letter on paper',
  other: 'Contact',
};
const whomWords: Record<Message['toWhom'], string> = { student: 'the student', guardians: 'the guardians' };

type Undated = Omit<ContactEntry, 'on'>;

function ofStep({ id, at, text, lookAgainOn, contact }: Step): Undated | null {
  if (!contact) return null;
  const { way, toWhom, withWhom, isReached, tone } = contact;
  const whom = withWhom === '' ? whomWords[toWhom] : withWhom;
  return {
    ...{ id, kind: 'step', at, toWhom, tone, isReached, lookAgainOn, words: text },
    what: `${pastWays[way]} ${isReached ? 'with' : 'tried, not reached:'} ${whom}`,
  };
}

function ofMessage({ id, writtenAt, toWhom, tone, subject }: Message): Undated {
  return {
    ...{ id, kind: 'message', at: writtenAt, toWhom, tone, isReached: true, lookAgainOn: null },
    ...{ what: `Letter to ${whomWords[toWhom]}`, words: subject },
  };
}

/**
 * All contacts on one line of time, the latest first; removed ones are not there.
 * @param zone the school's, an IANA name
 */
export function contactLine(
  messages: readonly Message[],
  steps: readonly Step[],
  zone: string,
): ContactEntry[] {
  const entries = [
    ...messages.filter(({ removed }) => !removed).map(ofMessage),
    ...steps.filter(({ removed }) => !removed).flatMap((step) => ofStep(step) ?? []),
  ];
  const dated = entries.map((entry) => ({ ...entry, on: localMoment(Date.parse(entry.at), zone).date }));
  return dated.sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : a.id < b.id ? -1 : 1));
}

/** What home has heard of a student so far. */
export interface HeardAtHome {
  /** The last day on which home was reached, `YYYY-MM-DD`; null is never. */
  lastOn: string | null;
  good: number;
  worry: number;
}

/** @param entries the latest first */
export function heardAtHome(entries: readonly ContactEntry[]): HeardAtHome {
  const home = entries.filter(({ toWhom, isReached }) => toWhom === 'guardians' && isReached);
  const of = (tone: ContactTone) => home.filter((entry) => entry.tone === tone).length;
  return { lastOn: home[0]?.on ?? null, good: of('good'), worry: of('worry') };
}
