import type { ObservationPlan } from '../../records/schema';
import { median } from '../../statistics/median';
import { listed } from '../../words/listed';
import { many } from '../../words/many';
import { durationWords } from '../tallies/duration';
import { runWords, percentWords, valueWords, numberWords } from './words';
import type { BeforeAfter } from './beforeAfter';
import { fewestInPhase, type Phase } from './phases';

export interface ToDraft {
  /** As the student is called. */
  name: string;
  plan: Pick<
    ObservationPlan,
    'name' | 'definition' | 'tone' | 'method' | 'intervalSeconds' | 'recordSeconds' | 'lengthSeconds'
  >;
  phases: readonly Phase[];
  /** Of all sessions together. */
  observedSeconds: number;
  beforeAfter: readonly BeforeAfter[];
  /** How far a second observer agreed, a percentage for each session with one. */
  agreements: readonly number[];
  /** A day as it is written: `16 Nov`. */
  dayWords: (date: string) => string;
}

/** The sessions of a phase in a sentence; empty where it has none. */
function phaseSentence(
  { plan, dayWords }: ToDraft,
  { name, startsOn, values, median: middle }: Phase,
): string {
  if (middle === null) return '';
  const numbers = values.map(({ value }) => value);
  const [least, most] = [Math.min(...numbers), Math.max(...numbers)];
  const when = startsOn === null ? 'At first' : `Since ${dayWords(startsOn)} (${name})`;
  const range =
    values.length < 2 ? '' : ` (${valueWords(plan.method, least)} to ${valueWords(plan.method, most)})`;
  return `${when}, in ${many(values.length, 'session')}: ${valueWords(plan.method, middle)}${values.length < 2 ? '' : ' in the middle'}${range}.`;
}

/** What the sessions of a phase say beside those of the one before it; empty where there is nothing to compare. */
function changeSentence({ plan }: ToDraft, { overlap, values }: Phase, before: Phase | undefined): string {
  if (!overlap || !before) return '';
  const { better, worse, same } = overlap.pairs;
  const all = better + worse + same;
  const [up, down] = plan.tone === 'neutral' ? ['more', 'less'] : ['better', 'worse'];
  const few = Math.min(values.length, before.values.length) < fewestInPhase;
  const compared = `Each session after put beside each before: ${better} of ${many(all, 'pair')} ${up}, ${worse} ${down} (Tau ${numberWords(overlap.tau)}, Tau-U ${numberWords(overlap.tauU)}).`;
  return few
    ? `${compared} With fewer than ${fewestInPhase} sessions in a phase this is a hint, no more.`
    : compared;
}

/** A summary of one student's sessions, to be set right by the teacher before anybody reads it. */
export function draftSummary(input: ToDraft): string {
  const { name, plan, phases, observedSeconds, beforeAfter, agreements, dayWords } = input;
  const all = phases.flatMap(({ values }) => values);
  const [first, last] = [all[0], all.at(-1)];
  if (!first || !last) return '';
  const days =
    first.date === last.date
      ? `On ${dayWords(first.date)}`
      : `From ${dayWords(first.date)} to ${dayWords(last.date)}`;
  const meaning = plan.definition === '' ? '' : ` (${plan.definition.replace(/[.\s]+$/, '')})`;
  const opening = `${days} ${name} was watched closely in ${many(all.length, 'session')}, ${durationWords(observedSeconds)} in all. What was watched: ${plan.name}${meaning}. How: ${runWords(plan)}.`;
  const often = beforeAfter
    .slice(0, 2)
    .map(({ before, after, count }) =>
      [
        before === '' ? '' : `after “${before}”`,
        after === '' ? '' : `followed by “${after}”`,
        many(count, 'time'),
      ]
        .filter(Boolean)
        .join(', '),
    );
  const agreed = median(agreements);
  return [
    opening,
    ...phases.flatMap((phase, index) => [
      phaseSentence(input, phase),
      changeSentence(input, phase, phases[index - 1]),
    ]),
    often.length === 0 ? '' : `It came most often ${listed(often)}.`,
    agreed === null
      ? ''
      : `A second observer watched beside in ${many(agreements.length, 'session')} and said the same in ${percentWords(agreed)}.`,
  ]
    .filter(Boolean)
    .join(' ');
}
