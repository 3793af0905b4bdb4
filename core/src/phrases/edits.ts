import type { Edit, EditsByKind } from '../changes/edit';
import { linkId } from '../notes/linkId';
import type { FieldsOf } from '../records/schema';
import type { phraseChanges } from './changes';

function phraseUseEdits(
  phraseId: string,
  personId: string,
  values: Partial<Pick<FieldsOf<'phraseUse'>, 'favourite' | 'usedAt'>>,
): Edit[] {
  const id = linkId(phraseId, personId);
  return [
    { op: 'ensure', table: 'phraseUse', id, values: { phraseId, favourite: false, usedAt: null } },
    { op: 'set', table: 'phraseUse', id, values },
  ];
}

export const phraseEdits: EditsByKind<typeof phraseChanges> = {
  'phrase.add': ({ id, ...values }) => [{ op: 'make', table: 'phrase', id, values }],
  'phrase.set': ({ id, ...values }) => [{ op: 'set', table: 'phrase', id, values }],
  'phrase.remove': ({ id }) => [{ op: 'set', table: 'phrase', id, values: { removed: true } }],
  'phrase.favour': ({ phraseId, personId, favourite }) => phraseUseEdits(phraseId, personId, { favourite }),
  'phrase.use': ({ phraseId, personId, usedAt }) => phraseUseEdits(phraseId, personId, { usedAt }),
};
