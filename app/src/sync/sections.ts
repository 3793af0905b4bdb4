import { endOfSection, sectionNames } from '@slate-path/core/calendar/sectionTime';
import { listOf, type Records } from '@slate-path/core/records/records';
import type { Section } from '@slate-path/core/records/schema';
import { useNow } from './clock';
import { useRecords } from './useRecords';

let lastOf: unknown[] = [];
let lastNames: Record<string, string> = {};

/** The names of classes as they are shown; made anew only when what they depend on has changed. */
export function namesOf(records: Records): Record<string, string> {
  const { section, term, lesson, meeting, enrolment } = records;
  const of = [section, term, lesson, meeting, enrolment];
  if (of.some((part, index) => part !== lastOf[index])) {
    lastNames = sectionNames(records);
    lastOf = of;
  }
  return lastNames;
}

/** The name by which a class is told from others; empty for one that is not known. */
export function useSectionName(sectionId: string | null | undefined): string {
  return useRecords(({ current }) => (sectionId ? (namesOf(current)[sectionId] ?? '') : ''));
}

/** All of these names, by the ids of the classes. */
export function useSectionNames(): Record<string, string> {
  return useRecords(({ current }) => namesOf(current));
}

/** A class with its name as it is shown and, of one that is over, its last day. */
export interface ShownSection {
  id: string;
  name: string;
  section: Section;
  endedOn: string | null;
}

/** All classes by name, those that are over behind the others. */
export function useSections(): ShownSection[] {
  const current = useRecords((state) => state.current);
  const { date } = useNow();
  const names = useSectionNames();
  const order = ({ endedOn, name }: ShownSection) => `${endedOn === null ? 0 : 1}${name}`;
  return listOf(current, 'section')
    .map((section) => ({
      ...{ id: section.id, name: names[section.id] ?? section.name, section },
      endedOn: endOfSection(current, section.id, date),
    }))
    .sort((a, b) => order(a).localeCompare(order(b), 'en', { numeric: true }));
}

/** Where a page of a class looks back from: today, or the last day of a class that is over. */
export function useLastDay(sectionId: string): string {
  const { date } = useNow();
  return useRecords(({ current }) => endOfSection(current, sectionId, date) ?? date);
}
