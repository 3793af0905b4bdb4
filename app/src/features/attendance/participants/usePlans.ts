import { useMemo } from 'react';
import { isSameName } from '@slate-path/core/people/knownName';
import type { MeetingPlan } from '@slate-path/core/attendance/participants/planMeeting';
import type { ParticipantReading } from '@slate-path/core/attendance/participants/readParticipants';
import { personKey } from '@slate-path/core/attendance/participants/personKey';
import { listOf } from '@slate-path/core/records/records';
import type { Lesson } from '@slate-path/core/records/schema';
import { rollBook, useAllLessons } from '../lesson/lessons';
import { zoneOf } from '../../../sync/clock';
import { useAccount } from '../../../sync/account';
import { useRecords } from '../../../sync/useRecords';
import type { Question } from './EntryQuestions';
import { useLists } from '../../../files/useLists';
import { keptAnswers, type Answers } from './keptAnswers';

export interface ListChoices {
  looseEmail: boolean;
  /** Each line in the lesson of its day; else all in the lesson in hand. */
  byDates: boolean;
  answers: Answers;
}

export interface ListPlans {
  plans: MeetingPlan[];
  /** Days of the list on which the class has no lesson. */
  strangeDates: string[];
  /** Entries nobody is sure of, answered here or not. */
  questions: Question[];
}

/** What a list would record, lesson by lesson, beside what is recorded; renewed with every answer. */
export function usePlans(
  reading: ParticipantReading | null,
  inHand: Lesson | undefined,
  { looseEmail, byDates, answers }: ListChoices,
): ListPlans {
  const current = useRecords((state) => state.current);
  const lessons = useAllLessons();
  const teacherName = useAccount((account) => account.teacherName);
  const lists = useLists();
  return useMemo(() => {
    if (!lists || !reading || !inHand) return { plans: [], strangeDates: [], questions: [] };
    const { participantsAtSchool, planMeeting, targetsOf } = lists;
    const zone = zoneOf(Object.values(current.school)[0]);
    const participants = participantsAtSchool(reading, zone, inHand.date);
    const own = lessons.filter(({ sectionId }) => sectionId === inHand.sectionId);
    const { targets, strangeDates } = targetsOf(participants, own, inHand, byDates);
    const kept = keptAnswers(current, inHand.sectionId);
    // The teacher was there too, and need not be asked who that is.
    for (const found of participants)
      if (isSameName(found.name, teacherName)) kept.set(personKey(found), null);
    const planWith = (remembered: Answers) =>
      targets.map((target) =>
        planMeeting(
          target,
          listOf(current, 'student'),
          listOf(current, 'enrolment'),
          listOf(current, 'standing'),
          rollBook(current),
          { looseEmail, remembered },
        ),
      );
    // Who was asked about stays in sight when it is answered.
    const asked = new Map<string, Question>();
    for (const { unmatched } of planWith(kept))
      for (const question of unmatched) {
        const [first] = question.lines;
        if (first && !asked.has(personKey(first))) asked.set(personKey(first), question);
      }
    const plans = planWith(new Map([...kept, ...answers]));
    return { plans, strangeDates, questions: [...asked.values()] };
  }, [lists, reading, inHand, current, lessons, teacherName, looseEmail, byDates, answers]);
}
