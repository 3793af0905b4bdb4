import { listed } from '../words/listed';
import { many } from '../words/many';
import { percentOf } from '../words/percent';
import type { Sentence } from '../words/sentence';
import type { ClassDigest } from './digest';

/** A phrase opens the choice of the days, the kind or the place; a student; who was not seen; or what waits. */
export type WorkPhrase = 'span' | 'kind' | 'place' | 'notSeen' | 'waiting' | { studentId: string };

export interface WorkToSay {
  /** The days, with the word before them: "In", "the last 7 days". */
  span: { before: string; words: string };
  kind: string;
  place: string;
  /** On a narrow screen the same in fewer words. */
  short?: boolean;
  students: number;
  notSeen: readonly { studentId: string; name: string }[];
  /** Of the pieces that were due; null while it is not known. */
  all: Pick<ClassDigest, 'on_time' | 'late' | 'missing' | 'waiting' | 'feedbackDaysMedian'> | null;
}

/** More names than these are a number. */
const mostNamed = 3;

function namesOf(notSeen: WorkToSay['notSeen']): Sentence<WorkPhrase> {
  const shown = notSeen.length > mostNamed ? notSeen.slice(0, mostNamed - 1) : notSeen;
  const phrases = [
    ...shown.map(({ studentId, name }) => ({ words: name, to: { studentId } })),
    ...(shown.length < notSeen.length
      ? [{ words: `${notSeen.length - shown.length} more`, to: 'notSeen' as const }]
      : []),
  ];
  return phrases.flatMap((phrase, index) =>
    index === 0 ? [phrase] : [index === phrases.length - 1 ? ' and ' : ', ', phrase],
  );
}

function seenParts({ students, notSeen, kind, place, short }: WorkToSay): Sentence<WorkPhrase> {
  const active = students - notSeen.length;
  const names = active > 0 && notSeen.length > 0 ? namesOf(notSeen) : [];
  const filters: Sentence<WorkPhrase> = [
    { words: place, to: 'place' },
    short ? ', ' : ', of ',
    { words: kind, to: 'kind' },
  ];
  const did = ` ${active} of ${students} did something${short ? ' ' : ', '}`;
  if (names.length === 0) return [did, ...filters, '.'];
  const verb = notSeen.length === 1 ? 'was' : 'were';
  return [did, ...filters, short ? '; ' : '. ', ...names, short ? ' not seen.' : ` ${verb} not seen.`];
}

const days = (count: number) => (count < 1 ? 'less than a day' : many(Math.round(count), 'day'));

function cameWords(all: NonNullable<WorkToSay['all']>, short: boolean): string {
  const known = all.on_time + all.late + all.missing;
  if (known === 0) return '';
  const onTime = percentOf(all.on_time, known);
  if (short) return `${onTime} of work on time`;
  return listed([
    `${onTime} of work came on time`,
    ...(all.late > 0 ? [`${percentOf(all.late, known)} late`] : []),
    ...(all.missing > 0 ? [`${percentOf(all.missing, known)} not at all`] : []),
  ]);
}

function workParts(all: NonNullable<WorkToSay['all']>, short: boolean): Sentence<WorkPhrase> {
  const came = cameWords(all, short);
  const back =
    all.feedbackDaysMedian === null || short
      ? ''
      : `${came ? '; you' : 'You'} handed it back after ${days(all.feedbackDaysMedian)}`;
  if (all.waiting === 0) return came || back ? [` ${came}${back}.`] : [];
  return [
    ` ${came}${back}${came || back ? (short ? '; ' : '. ') : ''}`,
    { words: short ? String(all.waiting) : many(all.waiting, 'piece'), to: 'waiting' },
    ` ${all.waiting === 1 ? 'waits' : 'wait'} for you.`,
  ];
}

/** Work and activity of a class over some days, in words. */
export function workSentence(said: WorkToSay): Sentence<WorkPhrase> {
  const { span, all } = said;
  return [
    `${span.before} `,
    { words: span.words, to: 'span' },
    ...(all === null ? [' …'] : [...seenParts(said), ...workParts(all, said.short ?? false)]),
  ];
}
