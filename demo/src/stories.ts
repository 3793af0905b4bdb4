import type { Usual } from './simulator/students';

/** When something happens in the term: weeks count from 0, the last is the present one. */
export interface Moment {
  date: string;
  week: number;
  /** ISO. */
  weekday: number;
  afternoon: boolean;
}

/** What of a student's usual is as planted at a moment; the rest is as drawn. */
type Story = (at: Moment) => Partial<Usual>;

/** Log-keeping sits in pairs in one week and at tables of four in the next. */
export const sitsInPairs = (week: number) => week % 2 === 1;

const rarely = { away: 0.02, ill: 0 };

/** What is planted in the term, by person; everyone else only varies. */
export const stories: Record<string, Story> = {
  // Missed Mondays, from the sixth week on.
  'Tomasz Afolabi': ({ week, weekday }) => (week >= 5 && weekday === 1 ? { away: 0.9 } : rarely),
  // A slow fade: there all the time at first, away most of it at the end.
  'Rafferty Dunmore': ({ week }) => (week >= 6 ? { away: 0.12 + (week - 6) * 0.08, ill: 0 } : rarely),
  // A sudden run of absence, not over yet.
  'Yusra Haddadin': ({ week }) => (week >= 11 ? { away: 1 } : rarely),
  // Away a lot until a call home in the seventh week; since then as before.
  'Pell Arbuckle': ({ week }) => (week >= 2 && week <= 6 ? { away: 0.55, ill: 0 } : rarely),
  // Late after lunch.
  "Saoirse O'Hara-Lindqvist": ({ afternoon }) => (afternoon ? { late: 0.9 } : {}),
  // Spoke up like the others, then hardly ever; comes down a level; at last the weather turns.
  'Odalys Brandt': ({ week }) => ({
    ...rarely,
    ...(week < 9 ? { voice: 1.8, engagement: 2.4 } : { voice: 0.15, engagement: 1.2 }),
    weather: week < 12 ? 3.8 : 1.4,
  }),
  // Rising trouble after lunch.
  'Nils Halvorsen': ({ week, afternoon }) => ({
    ...rarely,
    trouble: afternoon && week >= 5 ? 0.9 + (week - 5) * 0.2 : 0.03,
  }),
  // Trouble beside Sander Sarr, which is in the weeks of pairs.
  'Viggo Silva': ({ week }) => ({ ...rarely, trouble: sitsInPairs(week) ? 1.2 : 0.02 }),
  // Late and missing work.
  'Ottilie Seabrook': ({ week }) => (week >= 8 ? { missing: 0.55, handsInLate: 0.4 } : { missing: 0.04 }),
  // Hardly seen online any more.
  'Kasimir Lindholm': ({ week }) => ({ online: week >= 13 ? 0 : week >= 8 ? 0.7 : 3.5 }),
  // Hardly there, but for the evening before Thursday's test.
  'Arjun Ghebre': ({ weekday }) => ({ online: weekday === 3 ? 9 : 0.5 }),
};

/** Those who work elsewhere late in the evening only. */
export const nightWorkers: ReadonlySet<string> = new Set(['Veda Yilmaz']);
