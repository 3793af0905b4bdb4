import type { StreamStates } from './followStreams';
import table from './limits.json' with { type: 'json' };
import { streamsOf, type Concern, type StreamName } from './streams';

/** Less than this part of its limit is no evidence, but how anything looks now and then. */
const least = 0.3;

export interface Part {
  stream: StreamName;
  /** Evidence as a part of its limit. */
  ratio: number;
}

/** How far each stream of a concern speaks for it, strongest first; what hardly speaks is left out. */
export function partsOf(states: StreamStates, concern: Concern, i: number): Part[] {
  const parts: Part[] = [];
  for (const stream of streamsOf[concern]) {
    const standing = states[stream].standings[i];
    if (!standing) continue;
    const ratio = standing.change
      ? Math.max(1, standing.evidence / standing.limit)
      : standing.evidence / standing.limit;
    if (ratio >= least) parts.push({ stream, ratio });
  }
  return parts.sort((a, b) => b.ratio - a.ratio);
}

/**
 * Weak evidence in streams that know nothing of each other adds up.
 * @returns the sum of the parts; 0 for one stream alone, which has a limit of its own
 * Source: Mei (2010), Biometrika 97, 419-433 (the sum of local CUSUMs).
 */
export function together(parts: readonly Part[]): number {
  return parts.length < 2 ? 0 : parts.reduce((sum, { ratio }) => sum + ratio, 0);
}

/** From which sum on several streams together make a concern; made by simulation, as the other limits. */
export function togetherLimit(concern: Concern): number {
  return (table as { together: Record<Concern, number> }).together[concern];
}
