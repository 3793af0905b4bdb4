import type { Clock } from './clock';
import type { OpenDatabase } from './database/open';
import type { Erasures } from './keeping/erasure/erasures';
import type { Jobs } from './jobs/jobs';
import type { Events } from './http/events';
import type { KeptLetters } from './people/messages/keptLetters';
import type { Postman } from './people/messages/postman';
import type { WatchKeeper } from './watch/keeper';
import type { FeedKeeper } from './work/feed/keeper';

/** What routes work with. */
export interface Services {
  database: OpenDatabase;
  jobs: Jobs;
  /** Where letters are kept while no mail server is set up. */
  kept: KeptLetters;
  postman: Postman;
  erasures: Erasures;
  events: Events;
  watch: WatchKeeper;
  feeds: FeedKeeper;
  clock: Clock;
  dataFolder: string;
  /** The id of the demo's teacher; null in a school's own installation. */
  demoTeacherId: string | null;
}
