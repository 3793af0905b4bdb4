import { followStreams } from '@slate-path/core/watch/signals/followStreams';
import { limitsFor } from '@slate-path/core/watch/signals/limits';
import type { ClassSeries, StreamName } from '@slate-path/core/watch/signals/streams';
import { watchedSeries } from '@slate-path/core/watch/signals/watchClass';
import { oracleStreams } from './oracle';
import { peaksOf } from './peaks';
import { rows } from './terms';

type Path = { lesson: number; score: number }[];

/** What the engine's evidence in one stream came to: of whom a story changed, and of those of whom nothing did. */
export interface Alone {
  planted: Path;
  peaks: number[];
}

/** About as many observations as pass between two false alarms of an oracle. */
const observations = 1600;

/**
 * Evidence of every student of a class in one stream, after each time it was seen, by their place in the series: as a
 * part of the limit, for of whoever hardly ever does a thing less is asked.
 */
function evidenceIn(series: ClassSeries, stream: StreamName): Path[] {
  const limitAt = limitsFor(stream, observations);
  const paths = series.students.map((): Path => []);
  followStreams(watchedSeries(series, new Set([stream])), {
    limitOf: () => () => Infinity,
    heard: (_stream, i, { evidence, recent }, model) => {
      const score = evidence / limitAt(model.rarity(i));
      paths[i]?.push({ lesson: recent.lessons.at(-1) ?? 0, score });
    },
  });
  return paths;
}

/** For each story and each of its streams; by both names. */
export function aloneIn(series: ClassSeries): Record<string, Alone> {
  const pairs = rows.flatMap((story, i) => oracleStreams[story].map((stream) => ({ story, stream, i })));
  return Object.fromEntries(
    pairs.map(({ story, stream, i }) => {
      const paths = evidenceIn(series, stream);
      const others = paths.slice(rows.length + 1).map((path) => path.map(({ score }) => score));
      return [`${story} ${stream}`, { planted: paths[i] ?? [], peaks: others.flatMap(peaksOf) }];
    }),
  );
}
