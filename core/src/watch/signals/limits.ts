import type { StreamName } from './streams';
import table from './limits.json' with { type: 'json' };

/** For students up to a rarity: limits by how many observations may pass, on average, to one false alarm. */
interface LimitRow {
  upTo: number | null;
  limits: number[];
}

export interface LimitTable {
  /** Observations to one false alarm, rising. */
  observations: number[];
  streams: Record<StreamName, LimitRow[]>;
}

/**
 * From how much evidence on a change is believed, so that chance alone gets there once in so many
 * observations; between the table's points by the logarithm. The table was made by simulation of
 * students who do not change (bench/src/signals/makeLimits.ts).
 * @param observations to one false alarm, over 0
 * @returns the limit for a student, by what the stream's model says of the rarity of the usual
 */
export function limitsFor(
  stream: StreamName,
  observations: number,
  { streams, observations: points }: LimitTable = table,
): (rarity: number) => number {
  const last = points.length - 1;
  const seen = Math.max(1, observations);
  let at = 1;
  while (at < last && (points[at] ?? 1) < seen) at += 1;
  const [from, to] = [points[at - 1] ?? 1, points[at] ?? 1];
  const part = Math.log(seen / from) / Math.log(to / from);
  const rows = streams[stream].map(({ upTo, limits }) => {
    const [low, high] = [limits[at - 1] ?? 0, limits[at] ?? 0];
    return { upTo: upTo ?? Infinity, limit: Math.max(1, low + part * (high - low)) };
  });
  return (rarity) => {
    for (const { upTo, limit } of rows) if (rarity <= upTo) return limit;
    return Infinity;
  };
}
