import { useMemo } from 'react';
import { personKey } from '@slate-path/core/attendance/participants/personKey';
import type { Student } from '@slate-path/core/records/schema';
import type { SheetReading } from '@slate-path/core/ticks/bring/readSheet';
import { planTicks, type Target, type TickPlan } from '@slate-path/core/ticks/bring/planTicks';
import { useLists } from '../../files/useLists';
import { newId } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';
import type { Question } from '../attendance/participants/EntryQuestions';
import { keptAnswers, type Answers } from '../attendance/participants/keptAnswers';
import { columnsOf } from './useSheet';

/** What becomes of a table, and whose names nobody is sure of. */
export interface BringTicks {
  plan: TickPlan;
  questions: Question[];
}

/** A new column keeps its id from one look at the file to the next. */
const ids = new Map<string, string>();
function idFor(key: string): string {
  const id = ids.get(key) ?? newId();
  ids.set(key, id);
  return id;
}

/** Ids of columns that were made are not given to others. */
export const forgetIds = () => {
  ids.clear();
};

/** What becomes of a table beside what is here; renewed with every answer and every choice. */
export function useBringTicks(
  sectionId: string,
  reading: SheetReading | null,
  students: readonly Student[],
  answers: Answers,
  targets: ReadonlyMap<number, Target>,
): BringTicks | null {
  const lists = useLists();
  const current = useRecords((state) => state.current);
  return useMemo(() => {
    if (!lists || !reading) return null;
    const kept = keptAnswers(current, sectionId);
    const open = lists.matchWritten(reading.people, students, kept);
    const who = lists.matchWritten(reading.people, students, new Map([...kept, ...answers]));
    const plan = planTicks(reading, {
      ...{ sectionId, columns: columnsOf(current, sectionId), ticks: current.tick, targets },
      students: who.students,
      newId: (heading) => idFor(`${sectionId} ${heading}`),
      readDay: lists.dayReader(reading),
    });
    const questions = open.unmatched.flatMap(({ person, candidates }) => {
      const written = reading.people[person];
      if (!written) return [];
      return [{ lines: written.lines.map((line) => ({ ...written, line })), candidates }];
    });
    return {
      plan,
      questions: questions.filter(({ lines: [first] }) => first && kept.get(personKey(first)) === undefined),
    };
  }, [answers, current, lists, reading, sectionId, students, targets]);
}
