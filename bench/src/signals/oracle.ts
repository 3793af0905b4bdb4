import { countRatio } from '@slate-path/core/watch/signals/models/countModel';
import { missing } from '@slate-path/core/watch/signals/models/handInModel';
import type { ClassSeries, Slot, StreamName } from '@slate-path/core/watch/signals/streams';
import { onlineSize } from '@slate-path/demo/simulator/draws';
import type { LessonMood } from '@slate-path/demo/simulator/moods';
import type { SimulatedTerm } from '@slate-path/demo/simulator/simulateTerm';
import { plantedChanges, type PlantedChange, type Usual } from '@slate-path/demo/simulator/students';

/** The streams in which the oracle looks for each planted change; of two, the sooner one counts. */
export const oracleStreams: Record<PlantedChange, StreamName[]> = {
  absence: ['presence'],
  engagement: ['engagement'],
  voice: ['voice'],
  onlineAndVoice: ['online', 'voice'],
  missingWork: ['hand_in'],
};

export const bernoulli = (hit: boolean, before: number, after: number) =>
  hit ? Math.log(after / before) : Math.log((1 - after) / (1 - before));

/** The normal distribution function by its error function (Abramowitz and Stegun 7.1.26). */
function normalCdf(z: number): number {
  const t = 1 / (1 + 0.3275911 * (Math.abs(z) / Math.SQRT2));
  const tail =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const erf = 1 - tail * Math.exp((-z * z) / 2);
  return z < 0 ? (1 - erf) / 2 : (1 + erf) / 2;
}

function levelChance(level: number, place: number, scatter: number): number {
  const below = level === 0 ? 0 : normalCdf((level - 0.5 - place) / scatter);
  const upTo = level === 3 ? 1 : normalCdf((level + 0.5 - place) / scatter);
  return Math.max(upTo - below, 1e-12);
}

/** The changed usual of anyone, were the planted change to happen to them. */
function changedOf(story: PlantedChange, usual: Usual): Usual {
  const { after, before } = plantedChanges[story];
  const changed = { ...usual };
  for (const key of Object.keys(after) as (keyof Usual)[]) {
    const [from, to] = [(before as Partial<Usual>)[key] ?? 1, (after as Partial<Usual>)[key] ?? 1];
    if (key === 'away' || key === 'missing') changed[key] = to;
    else if (key === 'engagement') changed[key] = usual[key] + to - from;
    else changed[key] = (usual[key] * to) / from;
  }
  return changed;
}

/** Share missed on a day, single days and illness (three days on average) together. */
export const shareAway = (usual: Usual, mood: LessonMood) =>
  Math.min(0.95, usual.away * mood.away + 3 * usual.ill * mood.ill * (1 - usual.away));

function ratio(
  stream: StreamName,
  slot: Slot,
  i: number,
  mood: LessonMood,
  usual: Usual,
  changed: Usual,
): number {
  const value = slot.value[i] ?? 0;
  const chance = slot.exposure?.[i] ?? 1;
  switch (stream) {
    case 'presence':
      return bernoulli(
        value === 1,
        shareAway(usual, mood),
        Math.max(shareAway(changed, mood), shareAway(usual, mood) + 0.01),
      );
    case 'hand_in':
      return bernoulli(
        value === missing,
        Math.min(0.9, usual.missing * mood.missing),
        Math.min(0.9, changed.missing * mood.missing),
      );
    case 'engagement':
      return Math.log(
        levelChance(value, changed.engagement + mood.engagement, usual.scatter) /
          levelChance(value, usual.engagement + mood.engagement, usual.scatter),
      );
    case 'voice':
      return countRatio(value, usual.voice * mood.voice * chance, changed.voice * mood.voice * chance, {
        usual: 0,
        changed: 0,
      });
    case 'online':
      return countRatio(value, usual.online * mood.online, changed.online * mood.online, {
        usual: 1 / onlineSize,
        changed: 1 / onlineSize,
      });
    default:
      throw new Error(`The oracle was not told of ${stream}.`);
  }
}

/**
 * A CUSUM that is told what nobody knows: each student's true usual, the class's mood in every lesson and
 * the true changed distribution.
 * @returns for one student after each time the stream was seen: the lesson, the sum and what was added to it
 */
export function oracleEvidence(
  term: SimulatedTerm,
  series: ClassSeries,
  story: PlantedChange,
  stream: StreamName,
  i: number,
): { lesson: number; evidence: number; score: number }[] {
  const usual = term.usuals.get(series.students[i]?.id ?? '');
  if (!usual) return [];
  const changed = changedOf(story, usual);
  const moodOn = new Map(term.moods.map((mood) => [mood.date, mood]));
  let evidence = 0;
  return series.streams[stream].flatMap((slot) => {
    const mood = moodOn.get(slot.date);
    if (!mood || Number.isNaN(slot.value[i])) return [];
    const score = ratio(stream, slot, i, mood, usual, changed);
    evidence = Math.max(0, evidence + score);
    return [{ lesson: slot.lesson, evidence, score }];
  });
}
