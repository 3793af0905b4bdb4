import { bySeats } from '@slate-path/core/observation/sides/bySeats';
import { byChance, byStrength, withRest } from '@slate-path/core/observation/sides/form';
import type { WayToForm } from '@slate-path/core/observation/sides/limits';
import { seeded } from '@slate-path/core/people/room/seating/chance';
import type { Game } from '@slate-path/core/records/schema';
import { useRecords } from '../../../sync/useRecords';
import { valuesOf } from '../../people/room/groupsOf';
import { planInUse } from '../../people/room/planInUse';
import { freshSides, type Side } from './playing';

/** A way to form sides; the sides of an earlier game can be taken again. */
export type Forming = WayToForm | 'again';

export interface Formed {
  sides: Side[];
  /** Whoever is in none, and why that may be. */
  note: string;
}

const fill = (sides: Side[], members: readonly (readonly string[])[]) =>
  sides.map((side, at) => ({ ...side, studentIds: [...(members[at] ?? [])] }));

interface Asked {
  sectionId: string;
  studentIds: readonly string[];
  count: number;
  way: Forming;
  seed: number;
  before: Game | undefined;
}

/** Sides as they are asked for, of those who take part. */
export function formed({ sectionId, studentIds, count, way, seed, before }: Asked): Formed {
  const { current } = useRecords.getState();
  const sides = freshSides(count);
  const taking = new Set(studentIds);
  const random = seeded(seed);
  switch (way) {
    case 'again': {
      const kept = (before?.sides ?? []).map((side) => ({
        ...side,
        studentIds: side.studentIds.filter((id) => taking.has(id)),
      }));
      return { sides: kept, note: '' };
    }
    case 'random':
      return { sides: fill(sides, byChance(studentIds, count, random)), note: '' };
    case 'level': {
      const strengths = valuesOf(current, new Map(studentIds.map((id) => [id, true])), 'level');
      const unknown = studentIds.filter((id) => !strengths.has(id)).length;
      const note =
        strengths.size === 0
          ? 'Nothing is known of anybody’s level on this device: they came by chance.'
          : unknown > 0
            ? `Of ${unknown} no level is known: they came by chance.`
            : '';
      return { sides: fill(sides, byStrength(studentIds, strengths, count, random)), note };
    }
    case 'plan': {
      const plan = planInUse(current, sectionId)?.plan;
      if (!plan)
        return {
          sides: fill(sides, byChance(studentIds, count, random)),
          note: 'The class has no room plan yet: they came by chance.',
        };
      const seated = bySeats(plan, studentIds, count);
      const without = studentIds.length - seated.flat().length;
      return {
        sides: fill(sides, withRest(seated, studentIds)),
        note: without > 0 ? `${without} without a seat came to the smallest sides.` : '',
      };
    }
    case 'hand':
      return { sides, note: '' };
  }
}
