import { useMemo } from 'react';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { personKey } from '@slate-path/core/attendance/participants/personKey';
import { listOf } from '@slate-path/core/records/records';
import type { Student } from '@slate-path/core/records/schema';
import type { BringPlan } from '@slate-path/core/work/bring/planBring';
import { useLists } from '../../files/useLists';
import { useRecords } from '../../sync/useRecords';
import { newId } from '../../sync/outbox';
import type { Question } from '../attendance/participants/EntryQuestions';
import { keptAnswers, type Answers } from '../attendance/participants/keptAnswers';

export type FileReading = AnswerOf<'readWork'>;

export interface Bring {
  plan: BringPlan;
  /** Whose people nobody is sure of, answered here or not. */
  questions: Question[];
  /** Actions of those who are known, and of those who are not. */
  known: number;
  ofNobody: number;
  /** Students who have something in the file. */
  students: number;
}

/** A new piece keeps its id from one look at the file to the next, and when it comes again after it was taken back. */
const ids = new Map<string, string>();
function idFor(sectionId: string, title: string): string {
  const key = `${sectionId} ${title.toLowerCase()}`;
  const id = ids.get(key) ?? newId();
  ids.set(key, id);
  return id;
}

/** What becomes of a file beside what is here; renewed with every answer. */
export function useBring(
  sectionId: string,
  reading: FileReading | null,
  students: readonly Student[],
  answers: Answers,
): Bring | null {
  const lists = useLists();
  const current = useRecords((state) => state.current);
  return useMemo(() => {
    if (!lists || !reading) return null;
    const kept = keptAnswers(current, sectionId);
    const open = lists.matchWritten(reading.people, students, kept);
    const who = lists.matchWritten(reading.people, students, new Map([...kept, ...answers]));
    const plan = lists.planBring(reading, {
      work: listOf(current, 'work').filter((one) => one.sectionId === sectionId),
      handIns: current.handIn,
      students: who.students,
      newId: (title) => idFor(sectionId, title),
    });
    const questions = open.unmatched.flatMap(({ person, candidates }) => {
      const written = reading.people[person];
      if (!written) return [];
      const lines = written.lines.map((line) => ({ ...written, line }));
      return [{ lines, candidates }];
    });
    const known = reading.people.reduce(
      (sum, { actions }, index) => sum + (who.students.has(index) ? actions : 0),
      0,
    );
    return {
      plan,
      questions: questions.filter(({ lines: [first] }) => first && kept.get(personKey(first)) === undefined),
      known,
      ofNobody: reading.actions.count - known,
      students: new Set(who.students.values()).size,
    };
  }, [answers, current, lists, reading, sectionId, students]);
}
