import { monotonicFactory } from 'ulid';
import { ApiClient } from '@slate-path/demo/apiClient';
import type { ChangeAnswer } from '@slate-path/core/changes/schema';
import type { Mark, Standing } from '@slate-path/core/records/schema';

// Of changes made in one millisecond the later one has the later word.
const ulid = monotonicFactory();

export const teacher = {
  name: 'Ines Halloran',
  passphrase: 'harbour bell rings',
  school: { name: 'Tern Rock', zone: 'Europe/Dublin' },
};

/** Names that sort in this order: Student 01, Student 02... with invented family names. */
export function people(count: number): { givenName: string; familyName: string }[] {
  const family = [
    'Abara',
    'Brodie',
    'Calloway',
    'Demir',
    'Eklund',
    'Faro',
    'Ghebre',
    'Halvorsen',
    'Ibarra',
    'Jansma',
  ];
  return Array.from({ length: count }, (_, index) => ({
    givenName: `Pupil${String(index + 1).padStart(2, '0')}`,
    familyName: family[index % family.length] ?? '',
  }));
}

export interface Classroom {
  client: ApiClient;
  sectionId: string;
  studentIds: string[];
  standings: Standing[];
}

/** Sends changes as a device would. @returns the answers */
export async function send(client: ApiClient, changes: unknown[]): Promise<ChangeAnswer[]> {
  return (await client.postJson<{ answers: ChangeAnswer[] }>('/api/changes', { changes })).answers;
}

export function change(
  kind: string,
  payload: unknown,
  madeAt = new Date(Date.UTC(2026, 7, 1)).toISOString(),
) {
  return { id: ulid(), kind, payload, madeAt, device: 'setup' };
}

/** A teacher, a term, and one class that meets on Monday, Wednesday and Friday at 10:40. */
export async function makeClassroom(address: string, size: number): Promise<Classroom> {
  const client = await ApiClient.signIn(address, '/api/first-start', teacher);
  const sectionId = ulid();
  const students = people(size).map((person) => ({ id: ulid(), ...person }));
  const blank = { called: '', email: '', grade: '', schoolId: '' };
  await send(client, [
    change('term.set', { id: ulid(), name: 'Autumn', startsOn: '2026-11-02', endsOn: '2026-12-04' }),
    change('section.set', { id: sectionId, name: 'Boat Workshop', subject: '', room: '' }),
    ...[1, 3, 5].map((weekday) =>
      change('meeting.add', {
        id: ulid(),
        sectionId,
        weekday,
        startsAt: '10:40',
        endsAt: '11:30',
        validFrom: null,
        validUntil: null,
      }),
    ),
    change('roster.accept', {
      sectionId,
      people: students.map(({ id, ...names }) => ({
        id,
        added: { ...names, ...blank },
        changed: {},
        guardians: [],
        enrolment: { id: ulid(), cohort: '', startsOn: null },
      })),
    }),
  ]);
  const { standing } = await client.get<{ standing: Standing[] }>('/api/setup');
  return { client, sectionId, studentIds: students.map(({ id }) => id), standings: standing };
}

/** What the server has of one day: `Pupil01 A`, `Pupil02 L 10:48`. */
export async function marksOn(client: ApiClient, date: string): Promise<string[]> {
  const { mark } = await client.get<{ mark: Mark[] }>(`/api/days/${date}`);
  const setup = await client.get<{ standing: Standing[]; student: { id: string; givenName: string }[] }>(
    '/api/setup',
  );
  return mark
    .filter(({ standingId }) => standingId !== null)
    .map(({ studentId, standingId, arrivedAt, leftAt }) => {
      const student = setup.student.find(({ id }) => id === studentId);
      const standing = setup.standing.find(({ id }) => id === standingId);
      return [student?.givenName, standing?.code, arrivedAt, leftAt].filter(Boolean).join(' ');
    })
    .sort();
}

/** The class's meeting on a weekday, as the timetable has it. */
export async function meetingOn({ client }: Classroom, weekday: number): Promise<string> {
  const { meeting } = await client.get<{ meeting: { id: string; weekday: number }[] }>('/api/setup');
  return meeting.find((found) => found.weekday === weekday)?.id ?? '';
}

/** Rolls taken elsewhere: by date, who was away, by number. */
export async function takeRolls(room: Classroom, rolls: Record<string, number[]>): Promise<void> {
  const standingId = room.standings.find(({ code }) => code === 'A')?.id ?? null;
  const changes: unknown[] = [];
  for (const [date, away] of Object.entries(rolls)) {
    const id = `${await meetingOn(room, new Date(date).getUTCDay())}.${date}`;
    const marks = away.map((number) => ({
      studentId: room.studentIds[number - 1],
      standingId,
      arrivedAt: null,
      leftAt: null,
    }));
    const lesson = { id, sectionId: room.sectionId, date, startsAt: '10:40', endsAt: '11:30' };
    changes.push(change('roll.mark', { lesson, marks, takenAt: `${date}T10:42:00.000Z` }));
  }
  await send(room.client, changes);
}

/** A class of one student, Zora Quill, that is on the room's roll on a weekday. */
export async function classOnSameRoll({ client, sectionId }: Classroom, weekday: number) {
  const [other, zora] = ['01K00000000000000000000000', '01K00000000000000000000001'];
  const time = { startsAt: '10:40', endsAt: '11:30' };
  const student = { givenName: 'Zora', familyName: 'Quill', called: '', email: '', grade: '', schoolId: '' };
  const enrolment = { sectionId: other, studentId: zora, cohort: '', startsOn: null, endsOn: null };
  await send(client, [
    change('section.set', { id: other, name: 'Log-keeping', subject: '', room: '' }),
    change('meeting.add', {
      id: 'other',
      sectionId: other,
      weekday,
      ...time,
      validFrom: null,
      validUntil: null,
    }),
    change('student.set', { id: zora, student, guardians: [] }),
    change('enrolment.set', { id: 'e', ...enrolment }),
    change('section.taughtWith', { id: other, withId: sectionId }),
  ]);
  return { sectionId: other, studentId: zora, lessonOn: (date: string) => `other.${date}`, ...time };
}
