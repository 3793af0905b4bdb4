import { z } from 'zod';
import { changeKind } from '../changes/kind';
import { Id, recordFields } from '../records/schema';

export const PhraseFields = recordFields.phrase;
const { favourite, usedAt, phraseId } = recordFields.phraseUse.shape;
/** Whose favourites they are is part of a use's id. */
const ofPerson = { phraseId, personId: Id };
const history = () => 'phrases';

export const phraseChanges = {
  'phrase.add': changeKind(PhraseFields.extend({ id: Id }).strict(), history),
  'phrase.set': changeKind(PhraseFields.omit({ personId: true }).extend({ id: Id }).strict(), history),
  'phrase.remove': changeKind(z.strictObject({ id: Id }), history),
  'phrase.favour': changeKind(z.strictObject({ ...ofPerson, favourite }), history),
  'phrase.use': changeKind(z.strictObject({ ...ofPerson, usedAt })),
};
