import type { Chance } from './chance';

/** What is truly usual for a student: nobody who watches is told. */
export interface Usual {
  /** Share of lessons missed by single days, and of those that an illness begins at. */
  away: number;
  ill: number;
  late: number;
  /** Wanted and unwanted tallies in a lesson. */
  voice: number;
  trouble: number;
  /** Place on the scale of levels 0 to 3, and of weather 1 to 5. */
  engagement: number;
  /** How far levels of engagement lie around that place (standard deviation). */
  scatter: number;
  weather: number;
  /** Actions on a day. */
  online: number;
  missing: number;
  handsInLate: number;
  /** Percent. */
  score: number;
  /** Notes of trouble on a day with notes. */
  stuck: number;
}

/** What is common in a class, around which its students scatter. */
export type Culture = Pick<
  Usual,
  'away' | 'ill' | 'late' | 'voice' | 'trouble' | 'online' | 'missing' | 'stuck'
>;

/** @param variety how far classes differ from each other (standard deviation of the logarithm) */
export function drawCulture(chance: Chance, variety: number): Culture {
  const around = (mean: number) => mean * Math.exp(chance.normal(-(variety ** 2) / 2, variety));
  return {
    away: around(0.035),
    ill: 0.01,
    late: around(0.05),
    voice: around(1.2),
    trouble: around(0.15),
    online: around(6),
    missing: around(0.05),
    stuck: around(0.02),
  };
}

export function drawUsual(chance: Chance, culture: Culture): Usual {
  return {
    away: chance.beta(Math.min(0.3, culture.away), 60),
    ill: chance.beta(culture.ill, 300),
    late: chance.beta(Math.min(0.4, culture.late), 25),
    voice: chance.gamma(2, culture.voice),
    trouble: chance.gamma(0.8, culture.trouble),
    engagement: chance.normal(2, 0.5),
    scatter: 0.6,
    weather: chance.normal(3.6, 0.6),
    online: chance.gamma(2.5, culture.online),
    missing: chance.beta(Math.min(0.4, culture.missing), 20),
    handsInLate: chance.beta(0.08, 15),
    score: chance.normal(70, 9),
    stuck: chance.gamma(1, culture.stuck),
  };
}

/** Of a student whose days know nothing of each other: nobody is ill, and levels scatter far. */
export const independent = { ill: 0, scatter: 0.95 } as const satisfies Partial<Usual>;

/** The planted changes whose delays are measured: what the student was before, and what becomes of it. */
export const plantedChanges = {
  absence: { before: { away: 0.04, ill: 0.006 }, after: { away: 0.4 } },
  engagement: { before: { engagement: 2 }, after: { engagement: 1 } },
  voice: { before: { voice: 1.2 }, after: { voice: 0.24 } },
  onlineAndVoice: { before: { online: 6, voice: 1.2 }, after: { online: 2, voice: 0.6 } },
  missingWork: { before: { missing: 0.05, handsInLate: 0.08 }, after: { missing: 0.5 } },
} as const satisfies Record<string, { before: Partial<Usual>; after: Partial<Usual> }>;
export type PlantedChange = keyof typeof plantedChanges;
