import type { Mark, School, Section, Standing } from '../../records/schema';
import { defaultRules, effectiveStandings, rulesBySection, type RollRules } from './rules';

/** The records that rolls and totals are read with, ready for look-up. */
export interface RollBook {
  marks: Readonly<Record<string, Mark>>;
  /** By the id that marks have; a merged standing is the one it was merged into. */
  standings: Readonly<Record<string, Standing>>;
  /** By class; a class without any has the defaults. */
  rules: Readonly<Record<string, RollRules>>;
}

interface BookRecords {
  marks: readonly Mark[] | Readonly<Record<string, Mark>>;
  standings: readonly Standing[];
  sections: readonly Section[];
  school: Pick<School, 'graceMinutes'> | undefined;
}

/** @param standings retired ones too: marks made with them keep their meaning */
export function rollBookOf({ marks, standings, sections, school }: BookRecords): RollBook {
  return {
    marks: Array.isArray(marks)
      ? Object.fromEntries((marks as readonly Mark[]).map((mark) => [mark.id, mark]))
      : (marks as Readonly<Record<string, Mark>>),
    standings: effectiveStandings(standings),
    rules: rulesBySection(sections, school),
  };
}

export function rulesFor(book: Pick<RollBook, 'rules'>, sectionId: string): RollRules {
  return book.rules[sectionId] ?? defaultRules;
}
