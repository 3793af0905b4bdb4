import { markId } from '@slate-path/core/attendance/roll/markId';
import type { Records } from '@slate-path/core/records/records';
import type { Lesson } from '@slate-path/core/records/schema';
import type { Member } from './members';

/** Those who are chosen at once, by what was seen in the lesson. */
export interface ChosenGroup {
  value: string;
  /** As part of a sentence. */
  label: string;
  members: Member[];
}

function levelIn(records: Records, { student, place }: Member): number | null {
  const { lesson } = place;
  if (!lesson) return null;
  const found = records.sweep[markId(lesson.id, student.id)];
  return found && !found.removed ? found.level : null;
}

/** The groups of a lesson, of several classes' lessons together: by the sweep from the lowest level on, away, everyone. */
export function groupsOf(
  records: Records,
  members: readonly Member[],
  levelNames: readonly string[],
): ChosenGroup[] {
  const levels = new Map(members.map((member) => [member, levelIn(records, member)]));
  const group = (value: string, label: string, is: (member: Member) => boolean): ChosenGroup => {
    const found = members.filter(is);
    return { value, label: `${found.length} ${label}`, members: found };
  };
  return [
    ...levelNames.map((name, level) =>
      group(`level${level}`, name.toLocaleLowerCase(), (member) => levels.get(member) === level),
    ),
    group('away', 'away', ({ awayNow }) => awayNow),
    group('owes', 'with work missing', ({ owed }) => owed.length > 0),
    { value: 'everyone', label: `all ${members.length}`, members: [...members] },
  ].filter(({ value, members: found }) => value === 'everyone' || found.length > 0);
}

/** A class's lesson beside one of another class: of the same day, or the last before it. */
export function lessonBeside(
  lessons: readonly Lesson[],
  sectionId: string,
  date: string,
): Lesson | undefined {
  return lessons.findLast(
    (one) => one.sectionId === sectionId && one.date <= date && (one.date === date || one.takenAt !== null),
  );
}
