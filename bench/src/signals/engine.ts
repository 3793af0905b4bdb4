import { observe } from '@slate-path/core/watch/signals/observe';
import { watchClass, type WatchItem } from '@slate-path/core/watch/signals/watchClass';
import type { SimulatedTerm } from '@slate-path/demo/simulator/simulateTerm';
import type { Concern } from '@slate-path/core/watch/signals/streams';
import type { PlantedChange } from '@slate-path/demo/simulator/students';
import { aloneIn, type Alone } from './alone';
import { rows, termOf } from './terms';

export const concernOf: Record<PlantedChange | 'weekday', Concern> = {
  absence: 'absent',
  engagement: 'disengaged',
  voice: 'disengaged',
  onlineAndVoice: 'disengaged',
  missingWork: 'struggling',
  weekday: 'absent',
};

/** What the engine said of one class, evening by evening. */
export interface ClassFigures {
  /** Lessons held from the onset to the entry, by story; infinite where it never came. */
  delays: Record<string, number>;
  /** The onset as it was told, less the true one, in lessons. */
  onsetErrors: Record<string, number>;
  /** Such weekdays from the onset until the pattern was called. */
  patternDays: number;
  /** New entries of students of whom nothing changed, by what they rest on, and lessons of students watched. */
  falseEntries: Record<string, number>;
  studentLessons: number;
  /** Lessons held before the stories began. */
  onset: number;
  /** Evidence in one stream alone, by story and stream. */
  alone: Record<string, Alone>;
  /** Stories whose student was on the list before anything had changed. */
  early: string[];
}

/**
 * Follows one class's list as `slate watch` would give it: every evening around the onset, every fifth
 * before and after, each time from what was known that evening.
 */
export function followClass(seed: string): ClassFigures {
  const term = termOf(seed);
  const onset = term.truths[0]?.onsetLesson ?? 0;
  const planted = new Map(term.truths.map((truth) => [truth.studentId, truth]));
  const figures: ClassFigures = {
    delays: Object.fromEntries([...rows, 'weekday'].map((story) => [story, Infinity])),
    onsetErrors: {},
    patternDays: Infinity,
    falseEntries: {},
    studentLessons: 0,
    onset,
    alone: {},
    early: [],
  };
  let listed = new Set<string>();
  term.moods.forEach((mood, at) => {
    const close = at >= onset - 1 && at < onset + 60;
    if (!close && at % 5 !== 4) return;
    const [series] = observe(term.archive, { asOf: mood.date });
    if (!series) return;
    const items = watchClass(series).filter(({ concern }) => concern !== 'over_a_line');
    const now = new Set(items.map(({ studentId, concern }) => `${studentId} ${concern}`));
    for (const item of items) {
      const truth = planted.get(item.studentId);
      const key = `${item.studentId} ${item.concern}`;
      if (!truth) {
        if (listed.has(key) || isReallyHigh(term, item)) continue;
        const first = item.evidence[0];
        const reason = `${item.concern}, ${first?.kind ?? ''} of ${item.evidence.length > 1 && first?.kind === 'change' ? 'several' : (first?.stream ?? '')}`;
        figures.falseEntries[reason] = (figures.falseEntries[reason] ?? 0) + 1;
      } else if (concernOf[truth.story] === item.concern) {
        if (at < onset) {
          if (at === onset - 1) figures.early.push(truth.story);
          continue;
        }
        if (
          truth.story === 'weekday' &&
          figures.patternDays === Infinity &&
          item.evidence.some(({ kind }) => kind === 'pattern')
        )
          figures.patternDays = term.moods
            .slice(onset, at + 1)
            .filter((_, n) => (onset + n) % 5 === (truth.day ?? 0) - 1).length;
        if (figures.delays[truth.story] !== Infinity) continue;
        figures.delays[truth.story] = at - onset + 1;
        figures.onsetErrors[truth.story] = series.lessons.findIndex(({ date }) => date >= item.since) - onset;
      }
    }
    listed = now;
  });
  const [whole] = observe(term.archive, { asOf: '9999-12-31' });
  if (whole) figures.alone = aloneIn(whole);
  figures.studentLessons = unchanged(term) * term.moods.length;
  return figures;
}

/**
 * A student whose true share missed is over the line that was called, from the first day: nothing changed,
 * but it is no false entry either.
 */
function isReallyHigh({ usuals }: SimulatedTerm, { studentId, evidence }: WatchItem): boolean {
  const usual = usuals.get(studentId);
  const level = evidence.find(({ kind, stream }) => kind === 'level' && stream === 'presence');
  if (!usual || !level || evidence.some(({ kind }) => kind !== 'level')) return false;
  // Single days, and illnesses of three days on average, as much as a cold that goes round makes of them.
  return usual.away + 3 * usual.ill >= level.usual;
}

/** Students of whom nothing changed. */
const unchanged = (term: SimulatedTerm) => term.usuals.size - term.truths.length;
