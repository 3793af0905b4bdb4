import type { Edit, EditsByKind } from '../changes/edit';
import { quietId } from './signals/quiet';
import type { watchChanges } from './changes';

export const watchEdits: EditsByKind<typeof watchChanges> = {
  'step.take': ({ id, ...values }) => [{ op: 'make', table: 'step', id, values }],
  'step.set': ({ id, studentId: _, ...values }) => [{ op: 'set', table: 'step', id, values }],
  'step.remove': ({ id }) => [{ op: 'set', table: 'step', id, values: { removed: true } }],
  'concern.quiet': (values): Edit[] => {
    const id = quietId(values.sectionId, values.studentId, values.concern);
    return [
      { op: 'make', table: 'quiet', id, values },
      { op: 'set', table: 'quiet', id, values },
    ];
  },
  'concern.show': ({ sectionId, studentId, concern }) => [
    { op: 'set', table: 'quiet', id: quietId(sectionId, studentId, concern), values: { removed: true } },
  ],
  'watchSetting.set': (values) => [
    { op: 'make', table: 'watchSetting', id: values.sectionId, values },
    { op: 'set', table: 'watchSetting', id: values.sectionId, values },
  ],
  'pathSummary.keep': ({ id, ...values }) => [{ op: 'make', table: 'pathSummary', id, values }],
};
