/** Tern Rock School: its classes, its week, its days off. Everything else is drawn from a seed. */
export const school = { name: 'Tern Rock School', zone: 'Europe/Dublin', graceMinutes: 5 };
export const teacherName = 'Ines Halloran';
export const weeksInTerm = 14;

const periods = {
  1: ['08:50', '09:40'],
  2: ['09:45', '10:35'],
  3: ['10:40', '11:30'],
  4: ['11:35', '12:25'],
  5: ['13:15', '14:05'],
  6: ['14:10', '15:00'],
} as const;
export type Period = keyof typeof periods;

export function periodTimes(period: Period): { startsAt: string; endsAt: string } {
  const [startsAt, endsAt] = periods[period];
  return { startsAt, endsAt };
}

export interface DemoClass {
  name: string;
  subject: string;
  room: string;
  size: number;
  /** ISO weekday and period. */
  meets: [weekday: number, period: Period][];
}

export const classes: DemoClass[] = [
  {
    name: 'Boat Workshop',
    subject: 'Boat Workshop',
    room: 'Slipway shed',
    size: 26,
    meets: [
      [1, 3],
      [3, 5],
      [5, 2],
    ],
  },
  {
    name: 'Tides and Navigation',
    subject: 'Tides and Navigation',
    room: 'Chart room',
    size: 28,
    meets: [
      [1, 1],
      [2, 3],
      [4, 2],
      [5, 4],
    ],
  },
  {
    name: 'Shore Ecology',
    subject: 'Shore Ecology',
    room: 'Wet lab',
    size: 29,
    meets: [
      [1, 5],
      [2, 1],
      [4, 5],
    ],
  },
  {
    name: 'Log-keeping',
    subject: 'Log-keeping',
    room: 'Library',
    size: 27,
    meets: [
      [2, 4],
      [3, 2],
      [4, 3],
      [5, 5],
    ],
  },
  {
    name: 'Watch',
    subject: 'Watch',
    room: 'Harbour office',
    size: 14,
    meets: [
      [1, 2],
      [3, 1],
      [5, 1],
    ],
  },
];

/** Weeks of the term (from 0) and what is off in them; a single day has its weekday. */
export const daysOff: { name: string; week: number; weekday?: number }[] = [
  { name: 'Harbour day', week: 3, weekday: 5 },
  { name: 'Spring tide week', week: 8 },
  { name: 'Storm day', week: 11, weekday: 2 },
];

/** What is planted in the attendance, by person; weeks count from 0, the last is the present one. */
export interface Story {
  /** Share of school days missed in a week, on a weekday; undefined leaves the usual. */
  away?: (week: number, weekday: number) => number | undefined;
  /** Share of lessons come late to. */
  late?: (week: number, period: Period) => number | undefined;
}

export const stories: Record<string, Story> = {
  // Missed Mondays, from the sixth week on.
  'Tomasz Afolabi': { away: (week, weekday) => (week >= 5 && weekday === 1 ? 0.9 : undefined) },
  // A slow fade: there all the time at first, away half of it at the end.
  'Rafferty Dunmore': { away: (week) => (week >= 6 ? 0.1 + (week - 6) * 0.07 : 0.02) },
  // A sudden run of absence, not over yet.
  'Yusra Haddadin': { away: (week) => (week >= 12 ? 1 : 0.02) },
  // Away a lot until a call home in the seventh week; since then as before.
  'Pell Arbuckle': { away: (week) => (week >= 2 && week <= 6 ? 0.55 : 0.02) },
  // Late after lunch.
  "Saoirse O'Hara-Lindqvist": { late: (_week, period) => (period >= 5 ? 0.8 : undefined) },
};
