import seedrandom, { type PRNG } from 'seedrandom';
import { minutesOf } from '@slate-path/core/calendar/localTime';
import type { Student } from '@slate-path/core/records/schema';

/** What the stand-in for a meeting tool knows of a meeting. */
export interface Meeting {
  title: string;
  /** `YYYY-MM-DD` and `HH:MM`, on the school's clock. */
  date: string;
  startsAt: string;
  endsAt: string;
  hosts: readonly string[];
  students: readonly Pick<Student, 'givenName' | 'familyName' | 'called' | 'email'>[];
}

/** `report`: a table with a summary above it, a 12-hour clock, a line a join. `log`: ISO times in UTC. `names`: only who was there. */
export type ListStyle = 'report' | 'log' | 'names';
export const listStyles: readonly ListStyle[] = ['report', 'log', 'names'];

interface Join {
  name: string;
  email: string;
  /** Seconds since midnight. */
  from: number;
  to: number;
}

type Guest = Meeting['students'][number];

/** How people call themselves: mostly their whole name, else what a device or a hurry makes of it. */
function shownName({ givenName, familyName, called }: Guest, random: PRNG): string {
  const first = called || givenName;
  const draw = random();
  if (familyName === '' || draw < 0.6) return [first, familyName].filter(Boolean).join(' ');
  if (draw < 0.7) return `${familyName} ${first}`;
  if (draw < 0.8) return `${first} ${familyName[0] ?? ''}.`;
  if (draw < 0.9) return `${givenName} ${familyName}`.normalize('NFKD').replace(/[^A-Za-z' -]/g, '');
  return `${first} ${familyName} (Guest)`;
}

/** Nobody in ten is away, one in ten late, one in twenty leaves early, one in eight falls out and comes back. */
function joinsOf(meeting: Meeting, random: PRNG): Join[] {
  const [start, end] = [minutesOf(meeting.startsAt) * 60, minutesOf(meeting.endsAt) * 60];
  return meeting.students.flatMap((student): Join[] => {
    const [there, lateness, leaving, falling] = [random(), random(), random(), random()];
    const name = shownName(student, random);
    const email = random() < 0.7 ? student.email : '';
    if (there < 0.1) return [];
    const from = start + Math.round(lateness < 0.1 ? 400 + random() * 900 : random() * 240 - 180);
    const to = end + Math.round(leaving < 0.05 ? -400 - random() * 900 : random() * 120);
    const gap = start + Math.round(1200 + random() * 600);
    const whole = { name, email, from, to };
    return falling < 0.125 && from < gap && gap + 90 < to
      ? [
          { ...whole, to: gap },
          { ...whole, from: gap + 90 },
        ]
      : [whole];
  });
}

const two = (value: number) => String(value).padStart(2, '0');
const parts = (seconds: number) =>
  [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60] as const;

function twelveHours(date: string, seconds: number): string {
  const [hour, minute, second] = parts(seconds);
  const [year, month, day] = date.split('-').map(Number) as [number, number, number];
  return `${month}/${day}/${year}, ${hour % 12 === 0 ? 12 : hour % 12}:${two(minute)}:${two(second)} ${hour < 12 ? 'AM' : 'PM'}`;
}

const quoted = (cell: string) => (/[",]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell);
const csv = (rows: readonly (readonly string[])[]) =>
  rows.map((row) => row.map(quoted).join(',')).join('\r\n') + '\r\n';

/**
 * The participant list of a meeting as its tool would save it: who joined under what name, when, and
 * again; hosts too.
 * @param seed the same one gives the same list @param offsetMinutes of the school's clock, east of UTC
 */
export function participantList(meeting: Meeting, style: ListStyle, seed: string, offsetMinutes = 0): string {
  const random = seedrandom(`${seed} ${meeting.date} ${meeting.title}`);
  const [start, end] = [minutesOf(meeting.startsAt) * 60, minutesOf(meeting.endsAt) * 60];
  const hosts = meeting.hosts.map((name) => ({
    name: `${name} (Host)`,
    email: '',
    from: start - 600,
    to: end + 300,
  }));
  const joins = [...hosts, ...joinsOf(meeting, random)].sort((a, b) => a.from - b.from);
  if (style === 'names') return [...new Set(joins.map(({ name }) => name))].join('\r\n') + '\r\n';
  if (style === 'log') {
    const iso = (seconds: number) =>
      `${meeting.date}T${parts(seconds - offsetMinutes * 60)
        .map(two)
        .join(':')}Z`;
    return csv([
      ['display_name', 'email', 'joined_at', 'left_at'],
      ...joins.map(({ name, email, from, to }) => [name, email, iso(from), iso(to)]),
    ]);
  }
  return csv([
    ['Meeting', meeting.title],
    ['Participants', String(new Set(joins.map(({ name }) => name)).size)],
    [],
    ['Name', 'E-mail', 'Joined', 'Left', 'Minutes'],
    ...joins.map(({ name, email, from, to }) => [
      name,
      email,
      twelveHours(meeting.date, from),
      twelveHours(meeting.date, to),
      String(Math.round((to - from) / 60)),
    ]),
  ]);
}
