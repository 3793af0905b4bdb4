import { monotonicFactory } from 'ulid';
import type { CalendarReading } from '@slate-path/core/calendar/icalendar';
import { lessonId } from '@slate-path/core/calendar/lessons';
import { addDays, daysBetween } from '@slate-path/core/calendar/localTime';
import { instantOf, localMoment } from '@slate-path/core/calendar/zone';
import type { ChangeAnswer, ChangeOf, KindName } from '@slate-path/core/changes/schema';
import type {
  DayOff,
  Enrolment,
  Focus,
  Guardian,
  LookFor,
  Meeting,
  Standing,
  Student,
  Term,
} from '@slate-path/core/records/schema';
import type { MarkFields } from '@slate-path/core/roll/changes';
import { standingFor } from '@slate-path/core/roll/standings';
import { acceptedPeople, defaultDecision, type MergedRow } from '@slate-path/core/roster/mergeRoster';
import type { ApiClient } from './apiClient';
import type { Exception } from './attendance';
import { daysOffCalendar, rosterCsv } from './files';
import { platformArchive, workClass } from './fromElsewhere';
import { classes, periodTimes, school } from './scenario';
import { circleClass, makeCircles } from './circles';
import { demoTopics, makeNotes, type NoteWorld } from './notes';
import { makeSweeps, sweptClass } from './sweeps';
import { makeTallies, talliedClasses, type TalliedLesson } from './tallies';
import { checkInClass, checkInSetting, makeCheckIns } from './weather';
import { makeTerm, meetingKey, type DemoLesson, type DemoTerm } from './term';

type Payload<K extends KindName> = ChangeOf<K>['payload'];

/** Collects changes and sends them through the one door, in batches. */
class Sender {
  private readonly nextUlid = monotonicFactory();
  private waiting: unknown[] = [];

  constructor(private readonly client: ApiClient) {}

  id(at: number): string {
    return this.nextUlid(at);
  }

  async add<K extends KindName>(kind: K, payload: Payload<K>, at: number): Promise<void> {
    this.waiting.push({ id: this.id(at), kind, payload, madeAt: new Date(at).toISOString(), device: 'demo' });
    if (this.waiting.length >= 200) await this.send();
  }

  async send(): Promise<void> {
    if (this.waiting.length === 0) return;
    const { answers } = await this.client.postJson<{ answers: ChangeAnswer[] }>('/api/changes', {
      changes: this.waiting,
    });
    const refused = answers.find(({ outcome }) => outcome === 'refused');
    if (refused) throw new Error(`The demo's change was refused: ${JSON.stringify(refused)}`);
    this.waiting = [];
  }
}

interface Setup {
  term: Term[];
  dayOff: DayOff[];
  meeting: Meeting[];
  student: Student[];
  guardian: Guardian[];
  enrolment: Enrolment[];
  standing: Standing[];
  focus: Focus[];
  lookFor: LookFor[];
}

/** Fills a new teacher's place with the demo term: through files, views and changes, like a teacher would. */
export async function fillDemo(client: ApiClient, now: number, seed?: string): Promise<DemoTerm> {
  const term = makeTerm(now, seed);
  const begun = Date.parse(`${term.startsOn}T07:00:00Z`) - 3 * 86_400_000;
  const sender = new Sender(client);
  await sender.add(
    'term.set',
    { id: sender.id(begun), name: 'Autumn term', startsOn: term.startsOn, endsOn: term.endsOn },
    begun,
  );
  const calendar = await client.postFile<CalendarReading>(
    '/api/days-off-reading',
    daysOffCalendar(term.startsOn),
  );
  await sender.add(
    'dayOff.add',
    { days: calendar.days.map((day) => ({ id: sender.id(begun), ...day })) },
    begun,
  );
  const sections = new Map<string, string>();
  const meetings = new Map<string, string>();
  for (const { name, subject, room, meets } of classes) {
    const id = sender.id(begun);
    sections.set(name, id);
    await sender.add('section.set', { id, name, subject, room }, begun);
    for (const [weekday, period] of meets) {
      const meetingId = sender.id(begun);
      meetings.set(meetingKey(name, weekday, period), meetingId);
      const meeting = {
        id: meetingId,
        sectionId: id,
        weekday,
        ...periodTimes(period),
        validFrom: null,
        validUntil: null,
      };
      await sender.add('meeting.add', meeting, begun);
    }
  }
  await sender.send();
  for (const { name } of classes)
    await bringRoster(client, sender, term, name, sections.get(name) ?? '', begun);
  const setup = await client.get<Setup>('/api/setup');
  const students = new Map(setup.student.map(({ schoolId, id }) => [schoolId, id]));
  const observed: Parameters<typeof makeCheckIns>[0][number][] = [];
  const tallied = new Map<string, TalliedLesson[]>();
  for (const lesson of term.lessons) {
    const key = {
      id: lessonId(meetings.get(lesson.meetingKey) ?? '', lesson.date),
      sectionId: sections.get(lesson.className) ?? '',
      date: lesson.date,
      startsAt: lesson.startsAt,
      endsAt: lesson.endsAt,
    };
    await addLesson(sender, lesson, key, students, setup.standing);
    if (lesson.className === checkInClass && lesson.fate === 'taken')
      observed.push({ key, there: thereIn(lesson, term, students) });
    if (lesson.className in talliedClasses && lesson.fate === 'taken') {
      const begins = instantOf({ date: lesson.date, time: lesson.startsAt }, school.zone);
      const found: TalliedLesson = {
        key,
        week: Math.floor(daysBetween(term.startsOn, lesson.date) / 7),
        there: thereIn(lesson, term, students),
        instantOf: (minute) => new Date(begins + Math.round(minute * 60_000)).toISOString(),
      };
      tallied.set(lesson.className, [...(tallied.get(lesson.className) ?? []), found]);
    }
  }
  const checkInSectionId = sections.get(checkInClass) ?? '';
  await sender.add('checkIn.setting', { sectionId: checkInSectionId, ...checkInSetting }, begun);
  const momentOf = (date: string, before: number, startsAt: string) =>
    new Date(instantOf({ date, time: startsAt }, school.zone) - before * 60_000).toISOString();
  for (const payload of makeCheckIns(observed, momentOf))
    await sender.add('checkIn.record', payload, Date.parse(payload.checkIn.at));
  for (const [className, lessons] of tallied) await addTallies(sender, className, lessons, setup);
  for (const payload of makeSweeps(tallied.get(sweptClass) ?? []))
    await sender.add('sweep.set', payload, Date.parse(`${payload.lesson.date}T16:00:00Z`));
  const topics = demoTopics.map((topic) => ({ id: sender.id(begun), ...topic }));
  for (const topic of topics) await sender.add('topic.add', { ...topic, marks: [] }, begun);
  await sender.send();
  const world = {
    topics,
    students: setup.student,
    newId: (at: number) => sender.id(at),
    calendar: { terms: setup.term, daysOff: setup.dayOff, meetings: setup.meeting, lessons: [] },
  };
  for (const [className, lessons] of tallied) await addNotes(sender, className, lessons, world, now);
  await addSteps(sender, term, setup, sections, now);
  await sender.send();
  await bringWork(client, term, setup, sections.get(workClass) ?? '', now);
  return term;
}

/** The call home in the seventh week, after which a run of absence ended. */
async function addSteps(
  sender: Sender,
  term: DemoTerm,
  { student }: Setup,
  sections: ReadonlyMap<string, string>,
  now: number,
): Promise<void> {
  const pell = student.find(({ givenName, familyName }) => `${givenName} ${familyName}` === 'Pell Arbuckle');
  const date = addDays(term.startsOn, 6 * 7 + 3);
  const at = instantOf({ date, time: '16:10' }, school.zone);
  if (!pell || at > now) return;
  const step = {
    id: sender.id(at),
    studentId: pell.id,
    sectionId: sections.get('Boat Workshop') ?? '',
    concern: 'absent' as const,
    at: new Date(at).toISOString(),
    kind: 'Contact home',
    text: 'Called home: the ferry times had changed. The early boat now.',
    lookAgainOn: addDays(date, 14),
  };
  await sender.add('step.take', step, at);
  const { id, studentId, kind, text } = step;
  const again = instantOf({ date: step.lookAgainOn, time: '16:00' }, school.zone);
  if (again < now) await sender.add('step.set', { id, studentId, kind, text, lookAgainOn: null }, again);
}

/** Work and what was done online come from a learning platform, as a file. */
async function bringWork(
  client: ApiClient,
  term: DemoTerm,
  { student, enrolment }: Setup,
  sectionId: string,
  now: number,
): Promise<void> {
  const demoClass = classes.find(({ name }) => name === workClass);
  const members = new Set(
    enrolment.filter((e) => e.sectionId === sectionId).map(({ studentId }) => studentId),
  );
  const archive = platformArchive({
    section: {
      id: sectionId,
      name: workClass,
      subject: demoClass?.subject ?? '',
      room: demoClass?.room ?? '',
    },
    students: student
      .filter(({ id }) => members.has(id))
      .sort((a, b) => (a.familyName < b.familyName ? -1 : 1)),
    startsOn: term.startsOn,
    today: localMoment(now, school.zone).date,
  });
  await client.postFile('/api/archive', archive);
}

/** A teacher's notes; what was promised more than a few days ago is settled. */
async function addNotes(
  sender: Sender,
  className: string,
  lessons: readonly TalliedLesson[],
  world: NoteWorld,
  now: number,
): Promise<void> {
  const room = classes.find(({ name }) => name === className)?.room ?? '';
  for (const payload of makeNotes(className, lessons, room, world)) {
    await sender.add('note.write', payload, Date.parse(payload.at));
    const { id, lookAgainOn } = payload;
    if (lookAgainOn === null || Date.parse(lookAgainOn) > now - 4 * 86_400_000) continue;
    const settledAt = Date.parse(`${lookAgainOn}T15:00:00Z`);
    await sender.add('followUp.set', { id, dueOn: lookAgainOn, outcome: 'done' }, settledAt);
  }
}

/** What was seen in the lessons of a class, and the circles it sat in. */
async function addTallies(
  sender: Sender,
  className: string,
  lessons: readonly TalliedLesson[],
  { focus: focuses, lookFor }: Setup,
): Promise<void> {
  const focus = focuses.find(({ name }) => name === talliedClasses[className]);
  if (!focus) throw new Error(`There is no set for ${className}`);
  const lookFors = focus.lookForIds.flatMap((id) => lookFor.find((found) => found.id === id) ?? []);
  const newId = (at: number) => sender.id(at);
  for (const { kind, payload } of makeTallies(lessons, focus, lookFors, newId))
    await sender.add(kind, payload, Date.parse(`${payload.lesson.date}T16:00:00Z`));
  if (className !== circleClass) return;
  for (const { begin, tallies, endedAt, goals } of makeCircles(lessons, lookFors, newId)) {
    await sender.add('circle.begin', begin, Date.parse(begin.startedAt));
    await sender.add('tally.add', tallies, Date.parse(endedAt) - 1000);
    await sender.add('circle.end', { id: begin.id, endedAt }, Date.parse(endedAt));
    for (const goal of goals) await sender.add('circle.nextGoal', goal, Date.parse(endedAt) + 1000);
  }
}

/** Who was in a lesson at its beginning. */
function thereIn(lesson: DemoLesson, term: DemoTerm, students: ReadonlyMap<string, string>) {
  const missing = new Set(lesson.exceptions.map(({ student }) => student.schoolId));
  return term.students
    .filter(({ classes: own, schoolId }) => own.includes(lesson.className) && !missing.has(schoolId))
    .map(({ schoolId, givenName }) => ({ id: students.get(schoolId) ?? '', givenName }));
}

async function bringRoster(
  client: ApiClient,
  sender: Sender,
  term: DemoTerm,
  name: string,
  sectionId: string,
  at: number,
): Promise<void> {
  const students = term.students.filter((student) => student.classes.includes(name));
  const path = `/api/sections/${sectionId}/roster-reading`;
  const { rows } = await client.postFile<{ rows: MergedRow[] }>(path, rosterCsv(students));
  const accepted = rows.filter((row) => defaultDecision(row) === 'accept');
  if (accepted.length !== students.length)
    throw new Error(`${name}: ${accepted.length} of ${students.length} rows are good`);
  const { guardian } = await client.get<Setup>('/api/setup');
  const people = acceptedPeople(accepted, { guardians: guardian }, null, () => sender.id(at));
  await sender.add('roster.accept', { sectionId, people, gone: [] }, at);
  await sender.send();
}

function markOf(exception: Exception, studentId: string, standings: Standing[]): MarkFields {
  const { kind, arrivedAt, leftAt } = exception;
  const countsAs = kind === 'excused' ? 'away' : kind;
  const standing = standingFor(standings, countsAs, kind === 'excused');
  return { studentId, standingId: standing?.id ?? null, arrivedAt, leftAt };
}

async function addLesson(
  sender: Sender,
  lesson: DemoLesson,
  key: Payload<'roll.mark'>['lesson'],
  students: Map<string, string>,
  standings: Standing[],
): Promise<void> {
  const at = Date.parse(lesson.takenAt);
  if (lesson.fate === 'forgotten') return;
  if (lesson.fate === 'set_aside') {
    await sender.add('lesson.setAside', { lesson: key, setAside: true, label: 'Assembly' }, at);
    return;
  }
  const idOf = (exception: Exception) => students.get(exception.student.schoolId) ?? '';
  const marks = lesson.exceptions.map((exception) => markOf(exception, idOf(exception), standings));
  await sender.add('roll.mark', { lesson: key, marks, takenAt: lesson.takenAt }, at);
  for (const exception of lesson.exceptions) {
    if (!exception.comment) continue;
    await sender.add(
      'roll.comment',
      { lesson: key, studentId: idOf(exception), comment: exception.comment },
      at + 60_000,
    );
  }
}
