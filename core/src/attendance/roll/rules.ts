import type { School, Section, Standing } from '../../records/schema';

/** Minutes after the start, or before the end, that are forgiven unless the class says otherwise. */
export const defaultGraceMinutes = 5;

/** How a class's marks are counted. The defaults are those of the archive format. */
export interface RollRules {
  /** Minutes after the start, or before the end, that are forgiven. */
  graceMinutes: number;
  /** From this share of a lesson missed (0 to 1] it counts as away; null: never. */
  awayFromShare: number | null;
  /** So many lates count as one absence; null: never. */
  latesPerAbsence: number | null;
  /** Credit as the standing gives it, or by the minutes there. */
  creditBy: Section['creditBy'];
  /** A day with at most so many minutes there is half a day; null: every day attended is a whole one. */
  halfDayMinutes: number | null;
}

export const defaultRules: RollRules = {
  graceMinutes: defaultGraceMinutes,
  awayFromShare: null,
  latesPerAbsence: null,
  creditBy: 'standing',
  halfDayMinutes: null,
};

/** The rules of one class: its own, else the school's grace, else the defaults. */
export function rulesOf(
  section: Partial<RollRulesOfSection> | undefined,
  school: Pick<School, 'graceMinutes'> | undefined,
): RollRules {
  return {
    graceMinutes: section?.graceMinutes ?? school?.graceMinutes ?? defaultGraceMinutes,
    awayFromShare: section?.awayFromShare ?? null,
    latesPerAbsence: section?.latesPerAbsence ?? null,
    creditBy: section?.creditBy ?? 'standing',
    halfDayMinutes: section?.halfDayMinutes ?? null,
  };
}

type RollRulesOfSection = Pick<
  Section,
  'graceMinutes' | 'awayFromShare' | 'latesPerAbsence' | 'creditBy' | 'halfDayMinutes'
>;

/** The rules of every class, by its id. */
export function rulesBySection(
  sections: readonly Section[],
  school: Pick<School, 'graceMinutes'> | undefined,
): Record<string, RollRules> {
  return Object.fromEntries(sections.map((section) => [section.id, rulesOf(section, school)]));
}

/**
 * Every standing by the id that marks have, a merged one as the one it was merged into. So merging
 * changes no mark, and taking it back brings every mark its own standing again.
 */
export function effectiveStandings(standings: readonly Standing[]): Record<string, Standing> {
  const byId = new Map(standings.map((standing) => [standing.id, standing]));
  const resolve = (standing: Standing): Standing => {
    const seen = new Set<string>();
    let at = standing;
    for (;;) {
      const next = at.mergedIntoId === null ? undefined : byId.get(at.mergedIntoId);
      // A circle can come about when two devices merge two standings into each other.
      if (!next || seen.has(at.id)) return at;
      seen.add(at.id);
      at = next;
    }
  };
  return Object.fromEntries(standings.map((standing) => [standing.id, resolve(standing)]));
}
