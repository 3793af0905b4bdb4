import type { ObservationMethod } from '../../observation/closeWatch/limits';
import type { FixedWords } from './fixedWords/en';
import type { wordsIn } from './fixedWords/wordsIn';
import { dayIn } from './language';
import type { ObservationOnPage, PageFacts } from './onPage';
import type { Block } from './block';
import { phaseChart } from './render/phaseChart';

type Say = ReturnType<typeof wordsIn>;

/** What the numbers of a method are, with their unit. */
const axes: Record<ObservationMethod, keyof FixedWords> = {
  frequency: 'timesAMinute',
  duration: 'shareOfTime',
  latency: 'latencySeconds',
  partial_interval: 'shareOfIntervals',
  whole_interval: 'shareOfIntervals',
  momentary: 'shareOfIntervals',
};

const isShare = (method: ObservationMethod) => method !== 'frequency' && method !== 'latency';

/** Shares as whole percents, others to one decimal, small ones to two. */
function rounded(method: ObservationMethod, value: number): number {
  const size = isShare(method) ? 1 : Math.abs(value) < 1 ? 100 : 10;
  return Math.round(value * size) / size;
}

/** What was watched closely: what it means, its chart by phase, the phases' medians, and what is said of it. */
export function observationBlocks(
  { definition, method, phases, observedMinutes, comment }: ObservationOnPage,
  { language }: Pick<PageFacts, 'language'>,
  say: Say,
): Block[] {
  const quiet = (text: string): Block => ({ kind: 'quiet', text });
  const all = phases.flatMap(({ values }) => values);
  const [first, last] = [all[0], all.at(-1)];
  const meaning = definition === '' ? [] : [quiet(definition)];
  const said: Block[] = comment === '' ? [] : [{ kind: 'text', text: comment }];
  if (!first || !last) return [...meaning, quiet(say('notObserved')), ...said];
  const axis = say(axes[method]);
  const named = phases
    .filter(({ values }) => values.length > 0)
    .map((phase) => {
      const called = phase.startsOn === null ? say('atFirst') : phase.name;
      const since = phase.startsOn === null ? [] : [say('since', { day: dayIn(language, phase.startsOn) })];
      return { ...phase, name: called, withDay: [called, ...since].join(', ') };
    });
  const medians = named.flatMap(({ withDay, median }): [string, number][] =>
    median === null ? [] : [[`${withDay}, ${say('median')}`, rounded(method, median)]],
  );
  const says = `${axis}: ${medians.map(([name, value]) => `${name} ${value}`).join('; ')}`;
  const days = { first: dayIn(language, first.date), last: dayIn(language, last.date) };
  return [
    ...meaning,
    quiet(axis),
    { kind: 'picture', svg: phaseChart(named, isShare(method) ? 100 : null, { says, ...days }) },
    {
      kind: 'figures',
      pairs: [
        ...medians,
        [say('sessions'), all.length],
        [say('minutesObserved'), Math.round(observedMinutes)],
      ],
    },
    {
      kind: 'sessions',
      lines: all.map(({ date, value }) => ({
        day: dayIn(language, date),
        value: String(rounded(method, value)),
      })),
    },
    ...said,
  ];
}
