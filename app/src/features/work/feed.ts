import type { AnswerOf } from '@slate-path/core/api/contract';

/** A platform that is asked for a class, as the server tells of it. */
export type Feed = AnswerOf<'feeds'>['feeds'][number];
