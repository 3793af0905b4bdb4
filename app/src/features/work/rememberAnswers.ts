import { makeChange, newId } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';
import type { Answers } from '../attendance/participants/keptAnswers';

/** Keeps what was answered about who is who, for the class. */
export function rememberAnswers(sectionId: string, answers: Answers): void {
  if (answers.size === 0) return;
  const kept = Object.values(useRecords.getState().current.participantAnswer);
  const idOf = (entry: string) => kept.find((one) => one.sectionId === sectionId && one.entry === entry)?.id;
  makeChange(
    'participants.answer',
    {
      sectionId,
      answers: [...answers].map(([entry, studentId]) => ({
        id: idOf(entry) ?? newId(),
        sectionId,
        entry,
        studentId,
      })),
    },
    sectionId,
  );
}
