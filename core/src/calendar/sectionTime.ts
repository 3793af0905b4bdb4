import { groupBy } from '../records/groupBy';
import { listOf, type Records } from '../records/records';
import type { Section, Term } from '../records/schema';
import { termOn } from './lessons';

/**
 * The last day of a class that is over: every time of its timetable and everybody's time in it has ended.
 * @returns `YYYY-MM-DD`; null for one that goes on, or that has neither times nor students yet
 */
export function endOfSection(records: Records, sectionId: string, today: string): string | null {
  const ends = [
    ...listOf(records, 'meeting').flatMap((m) => (m.sectionId === sectionId ? [m.validUntil] : [])),
    ...listOf(records, 'enrolment').flatMap((e) => (e.sectionId === sectionId ? [e.endsOn] : [])),
  ];
  const last = ends.reduce((a, b) => (a === null || b === null ? null : a > b ? a : b), ends[0] ?? null);
  return last !== null && last < today ? last : null;
}

/** The term a day lies in, or the last one that had begun by then, or the first. */
export function termToLookAt(terms: readonly Term[], date: string): Term | undefined {
  const inOrder = terms.toSorted((a, b) => (a.startsOn < b.startsOn ? -1 : 1));
  return termOn(date, terms) ?? inOrder.findLast(({ startsOn }) => startsOn <= date) ?? inOrder[0];
}

/** The first day that anything of a class is known of. */
function startOfSection(records: Records, sectionId: string): string | null {
  const days = [
    ...listOf(records, 'lesson').flatMap((l) => (l.sectionId === sectionId ? [l.date] : [])),
    ...listOf(records, 'meeting').flatMap((m) => (m.sectionId === sectionId ? [m.validFrom] : [])),
    ...listOf(records, 'enrolment').flatMap((e) => (e.sectionId === sectionId ? [e.startsOn] : [])),
  ].filter((day) => day !== null);
  return days.toSorted()[0] ?? null;
}

/**
 * The names of classes as they are shown, by id: of several with one name each has its term behind it, and those that
 * still cannot be told apart a number.
 */
export function sectionNames(records: Records): Record<string, string> {
  const sections = Object.values<Section>(records.section).toSorted((a, b) => (a.id < b.id ? -1 : 1));
  const terms = listOf(records, 'term');
  const alike = groupBy(
    sections.filter(({ removed }) => !removed),
    ({ name }) => name.trim().toLowerCase(),
  );
  const shown = new Map(sections.map(({ id, name }) => [id, name]));
  for (const same of alike.values()) {
    if (same.length < 2) continue;
    const taken = new Map<string, number>();
    for (const { id, name } of same) {
      const start = startOfSection(records, id);
      const term = start === null ? undefined : (termOn(start, terms) ?? firstAfter(terms, start));
      const full = term ? `${name} · ${term.name}` : name;
      const before = taken.get(full) ?? 0;
      taken.set(full, before + 1);
      shown.set(id, before === 0 ? full : `${full} (${before + 1})`);
    }
  }
  return Object.fromEntries(shown);
}

function firstAfter(terms: readonly Term[], date: string): Term | undefined {
  return terms.toSorted((a, b) => (a.startsOn < b.startsOn ? -1 : 1)).find(({ endsOn }) => endsOn >= date);
}
