import type { Lesson } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import type { Group } from './templates';
import type { Member } from '../../phrases/members';

/** Those a message can be for: a group, or a cohort by its name. */
export interface Audience {
  value: string;
  label: string;
  group: Group;
  reason: string;
  occasion: string;
  members: Member[];
}

export interface Asked {
  sectionId: string;
  date: string;
  lesson: Lesson | undefined;
  times: number;
  /** What is owed stands on the tick-sheet: in all of it (empty), or in one column; null: it is work. */
  ticks: string | null;
}

/** Whom a message can be for, of the members of a class; those who owe work first. */
export function audiencesOf(
  members: readonly Member[],
  { sectionId, date, lesson, times, ticks }: Asked,
): Audience[] {
  const month = date.slice(0, 7);
  const audience = (
    value: string,
    label: string,
    group: Group,
    about: string,
    of: (member: Member) => boolean,
  ): Audience => {
    const found = members.filter(of);
    const occasion = `${value} ${about}`.slice(0, 200);
    return { value, label: `${label} (${found.length})`, group, reason: label, occasion, members: found };
  };
  const cohorts = [...new Set(members.map(({ cohort }) => cohort).filter(Boolean))].sort();
  const inMonth = `${sectionId} ${month}`;
  const owing = members.filter((m) => m.owed.length > 0);
  return [
    ...(owing.length > 0
      ? [
          ticks === null
            ? audience('owes', 'Owes work', 'owes', `${sectionId} ${date}`, (m) => m.owed.length > 0)
            : audience(
                'owes',
                'Still owes',
                'ticks',
                `ticks ${ticks || sectionId} ${date}`,
                (m) => m.owed.length > 0,
              ),
        ]
      : []),
    ...(lesson?.takenAt
      ? [audience('away', 'Away in this lesson', 'away', lesson.id, (m) => m.awayNow)]
      : []),
    audience(
      'times',
      `Away ${many(times, 'time')} or more`,
      'times',
      `${times} ${inMonth}`,
      (m) => m.missed.length >= times,
    ),
    audience(
      'never',
      'Never here this month',
      'never',
      inMonth,
      (m) => m.taken > 0 && m.missed.length === m.taken,
    ),
    audience('everyone', 'Everyone', 'everyone', `${sectionId} ${date}`, () => true),
    ...cohorts.map((name) =>
      audience(`cohort ${name}`, name, 'everyone', `${sectionId} ${date}`, (m) => m.cohort === name),
    ),
  ];
}
