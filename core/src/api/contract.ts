import type { z } from 'zod';
import type { TableName } from '../records/schema';
import { accountEndpoints } from './accounts';
import { attendanceEndpoints } from './attendance';
import { clipboardEndpoints } from './clipboard';
import type { Endpoint } from './endpoint';
import { feedEndpoints } from './feeds';
import { grantEndpoints } from './grants';
import { keepingEndpoints } from './keeping';
import { nodEndpoints } from './nods';
import { noteEndpoints } from './notes';
import { observationEndpoints } from './observation';
import type { OperationName } from './operations';
import { ownViewEndpoints } from './ownView';
import { paperEndpoints } from './papers';
import { peopleEndpoints } from './people';
import { readerPageEndpoints } from './readerPages';
import { recordEndpoints } from './records';
import { sharingEndpoints } from './sharing';
import { syncEndpoints } from './sync';
import { tickEndpoints } from './ticks';
import { watchEndpoints } from './watch';
import { workEndpoints } from './work';

/** What every operation takes and answers, once for the server, the app and the documentation. */
export const contract = {
  ...accountEndpoints,
  ...recordEndpoints,
  ...attendanceEndpoints,
  ...observationEndpoints,
  ...noteEndpoints,
  ...nodEndpoints,
  ...tickEndpoints,
  ...clipboardEndpoints,
  ...syncEndpoints,
  ...watchEndpoints,
  ...workEndpoints,
  ...feedEndpoints,
  ...peopleEndpoints,
  ...sharingEndpoints,
  ...grantEndpoints,
  ...readerPageEndpoints,
  ...ownViewEndpoints,
  ...paperEndpoints,
  ...keepingEndpoints,
} satisfies Record<OperationName, Endpoint>;

export type Contract = typeof contract;

type Part = 'params' | 'query' | 'body';
/** The schema of a part of what an operation takes; never where it takes none. */
type SchemaOf<N extends OperationName, P extends Part> =
  Contract[N] extends Record<P, infer S extends z.ZodType> ? S : never;

/** A part of what an operation takes, as its handler gets it. */
export type Taken<N extends OperationName, P extends Part> = [SchemaOf<N, P>] extends [never]
  ? undefined
  : z.output<SchemaOf<N, P>>;

/** A part of what an operation takes, as a caller gives it. */
export type Given<N extends OperationName, P extends Part> = [SchemaOf<N, P>] extends [never]
  ? unknown
  : z.input<SchemaOf<N, P>>;

/** What an operation answers, as it travels. */
export type AnswerOf<N extends OperationName> = z.input<Contract[N]['answer']>;

/** Everything of an answer that is not a record. */
export type RestOf<N extends OperationName> = Omit<AnswerOf<N>, TableName>;
