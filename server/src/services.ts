import type { OpenDatabase } from './database/open';
import type { Jobs } from './jobs/jobs';

/** What routes work with. */
export interface Services {
  database: OpenDatabase;
  jobs: Jobs;
  clock: Clock;
  /** The id of the demo's teacher; null in a school's own installation. */
  demoTeacherId: string | null;
}

/** The present moment, in milliseconds since the epoch. */
export type Clock = () => number;
