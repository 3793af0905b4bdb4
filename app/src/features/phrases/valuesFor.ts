import { localMoment } from '@slate-path/core/calendar/zone';
import { presenceIn } from '@slate-path/core/attendance/roll/totals';
import { displayName, shortName } from '@slate-path/core/people/names';
import type { BlankValues } from '@slate-path/core/phrases/blanks';
import { countsWords } from '@slate-path/core/phrases/countsWords';
import type { Records } from '@slate-path/core/records/records';
import type { Lesson } from '@slate-path/core/records/schema';
import { listed } from '@slate-path/core/words/listed';
import { dayMonth, longDay } from '../../parts/dates';
import { zoneOf } from '../../sync/clock';
import { rollBook } from '../attendance/lesson/lessons';
import { sumsOf } from '../observation/tallies/tallySums';
import type { Member, Place } from './members';

function ofPlace(records: Records, { sectionId, date, lesson }: Place): BlankValues {
  return {
    class: records.section[sectionId]?.name,
    date: longDay(date),
    lesson: lesson && (lesson.label || `the lesson at ${lesson.startsAt}`),
  };
}

function inLesson(records: Records, lesson: Lesson, studentId: string): BlankValues {
  const presence = presenceIn(lesson, studentId, rollBook(records));
  const { counts } = sumsOf(records, lesson.id, studentId);
  return {
    counts: countsWords(counts, records.lookFor),
    minutes: presence ? String(presence.lessonMinutes - presence.minutesThere) : undefined,
  };
}

/** The last day on which home was written to. */
function lastContact(records: Records, studentId: string): string | undefined {
  const moments = Object.values(records.message)
    .filter((one) => !one.removed && one.studentId === studentId && one.toWhom === 'guardians')
    .map(({ writtenAt }) => writtenAt);
  const last = moments.sort().at(-1);
  const zone = zoneOf(Object.values(records.school)[0]);
  return last && dayMonth(localMoment(Date.parse(last), zone).date);
}

/** What fills blanks where nobody in particular is meant. */
export function valuesOfPlace(records: Records, place: Place | null): BlankValues {
  return place ? ofPlace(records, place) : {};
}

/** What fills the blanks of a sentence about one student; a blank without a value is not there. */
export function valuesFor(records: Records, { student, place, missed, owed }: Member): BlankValues {
  return {
    ...ofPlace(records, place),
    ...(place.lesson ? inLesson(records, place.lesson, student.id) : {}),
    name: shortName(student),
    'given name': student.givenName,
    'full name': displayName(student),
    dates: listed(missed.map((lesson) => dayMonth(lesson.date))),
    times: String(missed.length),
    work: listed(owed),
    'last contact': lastContact(records, student.id),
  };
}
