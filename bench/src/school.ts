import { ulid } from 'ulid';
import { addDays, datesBetween, weekdayOf } from '@slate-path/core/calendar/localTime';
import type { Standing } from '@slate-path/core/records/schema';
import type { ApiClient } from '@slate-path/demo/apiClient';

export interface SchoolSize {
  classes: number;
  students: number;
  /** School days, from the first of the year on, Saturdays and Sundays left out. */
  days: number;
}

export const year: SchoolSize = { classes: 6, students: 36, days: 180 };
/** A Monday. */
export const firstDay = '2025-09-01';

/** The first so many school days. */
export function schoolDays(count: number): string[] {
  return datesBetween(firstDay, addDays(firstDay, count * 2))
    .filter((date) => weekdayOf(date) <= 5)
    .slice(0, count);
}

const perBatch = 100;

/**
 * A teacher's classes with a lesson each on every school day, all rolls taken through the one door: in
 * every lesson a third of the class has a mark, another third the next day, so that every student has many.
 * @returns the ids of the classes
 */
export async function fillSchool(
  client: ApiClient,
  { classes, students, days }: SchoolSize,
): Promise<string[]> {
  const { standing } = await client.get<{ standing: Standing[] }>('/api/setup');
  const kinds = standing.filter(({ countsAs }) => countsAs === 'away' || countsAs === 'late');
  const dates = schoolDays(days);
  const changes: object[] = [];
  const add = (kind: string, payload: unknown) =>
    changes.push({ id: ulid(), kind, payload, madeAt: `${firstDay}T06:00:00.000Z`, device: 'bench' });
  add('term.set', { id: ulid(), name: 'Year', startsOn: firstDay, endsOn: dates.at(-1) });
  const sectionIds = Array.from({ length: classes }, () => ulid());
  sectionIds.forEach((sectionId, index) => {
    const startsAt = `${String(8 + index).padStart(2, '0')}:00`;
    const times = { startsAt, endsAt: `${startsAt.slice(0, 2)}:50` };
    add('section.set', { id: sectionId, name: `Class ${index + 1}`, subject: '', room: '' });
    for (const weekday of [1, 2, 3, 4, 5]) {
      const valid = { validFrom: null, validUntil: null };
      add('meeting.add', { id: `${sectionId}-${weekday}`, sectionId, weekday, ...times, ...valid });
    }
    const studentIds = Array.from({ length: students }, () => ulid());
    const blank = { called: '', email: '', grade: '', schoolId: '' };
    const people = studentIds.map((id, number) => ({
      id,
      added: { givenName: `Pupil${String(number + 1).padStart(2, '0')}`, familyName: 'Abara', ...blank },
      changed: {},
      guardians: [],
      enrolment: { id: ulid(), cohort: '', startsOn: null },
    }));
    add('roster.accept', { sectionId, people, gone: [] });
    dates.forEach((date, day) => {
      const id = `${sectionId}-${weekdayOf(date)}.${date}`;
      const marks = studentIds.flatMap((studentId, number) => {
        const kind = kinds[(number + day) % kinds.length];
        if ((number + day) % 3 > 0 || !kind) return [];
        const arrivedAt = kind.countsAs === 'late' ? `${startsAt.slice(0, 2)}:12` : null;
        return [{ studentId, standingId: kind.id, arrivedAt, leftAt: null }];
      });
      add('roll.mark', {
        lesson: { id, sectionId, date, ...times },
        marks,
        takenAt: `${date}T08:00:00.000Z`,
      });
    });
  });
  for (let from = 0; from < changes.length; from += perBatch)
    await client.postJson('/api/changes', { changes: changes.slice(from, from + perBatch) });
  return sectionIds;
}

/** What a teacher's pages ask for, over all of a school year of this length. */
export function viewPaths(sectionId: string, { days }: Pick<SchoolSize, 'days'>): Record<string, string> {
  const [from, to] = [firstDay, schoolDays(days).at(-1) ?? firstDay];
  return {
    setup: '/api/setup',
    day: `/api/days/${from}`,
    // The month with the most school days.
    month: `/api/sections/${sectionId}/months/2025-10`,
    totals: `/api/totals?from=${from}&to=${to}`,
    watch: '/api/watch',
    roll: `/api/sections/${sectionId}/roll?from=${from}&to=${to}&format=csv`,
  };
}
