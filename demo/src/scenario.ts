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

/** As the school calls them. */
export const dayPeriods = Object.entries(periods).map(([name, [startsAt, endsAt]]) => ({
  name: `P${name}`,
  startsAt,
  endsAt,
}));

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
    name: 'Lantern Crew',
    subject: 'Advisory',
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
