/** How something is watched, in the trade's terms; what each asks for stands in `methods.ts`. */
export const observationMethods = [
  'frequency',
  'duration',
  'latency',
  'partial_interval',
  'whole_interval',
  'momentary',
] as const;
export type ObservationMethod = (typeof observationMethods)[number];

/** Methods that ask once an interval. */
export const asksByInterval = (method: ObservationMethod) =>
  method === 'partial_interval' || method === 'whole_interval' || method === 'momentary';

/** How a signal is given; none of them makes a sound. */
export const signalWays = ['both', 'vibration', 'flash', 'none'] as const;
export type SignalWay = (typeof signalWays)[number];

export const mostWatched = 4;
/** Of an interval, and of the time to write down after it, in seconds. */
export const interval = { least: 5, most: 1800, mostRecord: 120 } as const;
/** Of a whole session, in seconds: up to four hours. */
export const sessionLength = { least: 30, most: 14_400 } as const;
/** In a session there are at most so many intervals. */
export const mostIntervals = 720;
/** Words for what came before and after. */
export const words = { most: 12, longest: 40 } as const;
export const longestPlanName = 60;
export const longestDefinition = 500;
export const longestComment = 4000;
