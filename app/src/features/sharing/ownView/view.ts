import type { AnswerOf } from '@slate-path/core/api/contract';

/** What a class shows its students, and their cards, as the server tells it. */
export type OwnView = AnswerOf<'ownView'>;
export type OwnViewSettings = NonNullable<OwnView['settings']>;
export type CardOf = OwnView['cards'][number];
