import { z } from 'zod';
import { changeKind } from '../changes/kind';
import { Id, recordFields } from '../records/schema';

const { step, quiet, watchSetting, pathSummary } = recordFields;

export const watchChanges = {
  // What was done about a student.
  'step.take': changeKind(step.extend({ id: Id }).strict(), ({ studentId }) => studentId),
  'step.set': changeKind(
    step.pick({ kind: true, text: true, lookAgainOn: true }).extend({ id: Id, studentId: Id }).strict(),
    ({ studentId }) => studentId,
  ),
  'step.remove': changeKind(z.strictObject({ id: Id, studentId: Id }), ({ studentId }) => studentId),
  // A concern put aside to a day, or for good, because.
  'concern.quiet': changeKind(quiet.strict(), ({ studentId }) => studentId),
  'concern.show': changeKind(
    quiet.pick({ studentId: true, sectionId: true, concern: true }).strict(),
    ({ studentId }) => studentId,
  ),
  'watchSetting.set': changeKind(watchSetting.strict(), ({ sectionId }) => sectionId),
  'pathSummary.keep': changeKind(pathSummary.extend({ id: Id }).strict(), ({ studentId }) => studentId),
};
