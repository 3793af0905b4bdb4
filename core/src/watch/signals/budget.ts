import type { LimitOf } from './followStreams';
import { limitsFor, type LimitTable } from './limits';
import { streamNames, type Concern, type StreamName } from './streams';

/** Lessons of students in a class of 30 that meets five times a week, in four weeks. */
export const lessonsOfClass = 600;

/**
 * False entries that each stream may cause in a class of 30 in four weeks; with those of streams together,
 * levels and patterns they come to less than one. Where the goals are hardest, most is spent.
 */
export const falseEntries: Record<StreamName, number> = {
  presence: 0.08,
  lateness: 0.01,
  voice: 0.23,
  engagement: 0.15,
  online: 0.14,
  weather: 0.01,
  hand_in: 0.19,
  score: 0.015,
  stuck: 0.01,
  trouble: 0.02,
};
/** The same for several streams that speak together, for each concern. */
export const falseTogether: Record<Concern, number> = { absent: 0.005, disengaged: 0.03, struggling: 0.005 };

/** A third of one for each concern: no stream by itself is worth more false entries. */
const most = 1 / 3;

/**
 * False entries of a stream, given which streams a class has: what those that it does not have leave over is shared
 * among those that it has. Where only the roll is kept, nothing is kept back for work that is never handed in.
 */
export function falseEntriesOf(stream: StreamName, has: ReadonlySet<StreamName>): number {
  const sum = (names: readonly StreamName[]) => names.reduce((all, name) => all + falseEntries[name], 0);
  const had = sum(streamNames.filter((name) => has.has(name)));
  if (had === 0) return falseEntries[stream];
  return Math.min(most, (falseEntries[stream] * sum(streamNames)) / had);
}

/** Something that is seen more often than this for each lesson is held to it; or more seldom. */
const [seldom, often] = [0.05, 1.5];

/**
 * From how much evidence on a change in a stream is believed, for a class.
 * @param has streams that the class has any of @param table the shipped one, but where limits are made
 */
export function limitsOf(has: ReadonlySet<StreamName>, table?: LimitTable): LimitOf {
  const lessons = Object.fromEntries(
    streamNames.map((stream) => [stream, lessonsOfClass / falseEntriesOf(stream, has)]),
  ) as Record<StreamName, number>;
  // What is seen seldom may be believed sooner, for false alarms are counted by lessons held.
  return (stream, perLesson) =>
    limitsFor(stream, lessons[stream] * Math.min(often, Math.max(seldom, perLesson)), table);
}
