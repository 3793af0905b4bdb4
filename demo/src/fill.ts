import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { lessonId } from '@slate-path/core/calendar/lessons';
import { addDays } from '@slate-path/core/calendar/localTime';
import { instantOf, localMoment } from '@slate-path/core/calendar/zone';
import type { ChangeOf, KindName } from '@slate-path/core/changes/schema';
import type { Standing } from '@slate-path/core/records/schema';
import type { MarkFields } from '@slate-path/core/attendance/roll/changes';
import { standingFor } from '@slate-path/core/attendance/roll/standings';
import type { ApiClient } from './apiClient';
import type { Exception } from './attendance';
import { platformArchive, workClass } from './fromElsewhere';
import { classes, school } from './scenario';
import { shippedReasons } from '@slate-path/core/nods/shipped';
import { setUp, setUpAt, type DemoPlaces } from './setUp';
import { makeCloseWatch, watchedClass } from './closeWatch';
import { circleClass, makeCircles } from './circles';
import { demoTopics, makeNotes, type NoteWorld } from './notes';
import { makeDraws } from './draws';
import { makeGames, playedClass } from './games';
import { makeTicks, tickedClass } from './ticks';
import { drawnClass, makeNods, noddedClasses } from './nods';
import { makePhrases } from './phrases';
import { makeRooms, makeWishes } from './rooms';
import { makeSweeps, sweptClass } from './sweeps';
import { makeTallies, talliedClasses, type ClassTerm, type TalliedLesson } from './tallies';
import { checkInClass, checkInSetting, makeCheckIns } from './weather';
import { makeTerm, type DemoLesson, type DemoTerm } from './term';
import { TermBook } from './termBook';

type Payload<K extends KindName> = ChangeOf<K>['payload'];

/** What a new place knows before the first day of the term. */
type Setup = AnswerOf<'setup'>;

/**
 * Fills a new teacher's place with the demo term: the set-up through files and views, like a teacher would;
 * the term itself, and what a learning platform knows of it, as archives.
 */
export async function fillDemo(client: ApiClient, now: number, seed?: string): Promise<DemoTerm> {
  const term = makeTerm(now, seed);
  const places = await setUp(client, term);
  const setup = await client.get(addressOf('setup'));
  const book = new TermBook();
  writeTerm(book, term, places, setup, now);
  const { teacher } = await client.get(addressOf('session'));
  const begun = setUpAt(term);
  for (const { kind, payload } of makePhrases(teacher?.id ?? '', () => book.id(begun)))
    book.add(kind, payload, begun);
  await client.postFile(addressOf('bringArchive'), book.archive(setup, school.zone, now));
  await bringWork(client, term, setup, places.sections.get(workClass) ?? '', now);
  return term;
}

/** Everything that happened in the term up to now. */
function writeTerm(
  book: TermBook,
  term: DemoTerm,
  { sections, meetings }: DemoPlaces,
  setup: Setup,
  now: number,
): void {
  const { life } = term;
  const begun = setUpAt(term);
  const today = localMoment(now, school.zone).date;
  const students = new Map(setup.student.map(({ schoolId, id }) => [schoolId, id]));
  const checkedIn: Parameters<typeof makeCheckIns>[0][number][] = [];
  const tallied = new Map<string, TalliedLesson[]>();
  for (const lesson of term.lessons) {
    const key = {
      id: lessonId(meetings.get(lesson.meetingKey) ?? '', lesson.date),
      sectionId: sections.get(lesson.className) ?? '',
      date: lesson.date,
      startsAt: lesson.startsAt,
      endsAt: lesson.endsAt,
    };
    addLesson(book, lesson, key, students, setup.standing);
    if (lesson.fate !== 'taken') continue;
    const there = thereIn(lesson, term, students);
    if (lesson.className === checkInClass) checkedIn.push({ key, there });
    if (lesson.className in talliedClasses) {
      const begins = instantOf({ date: lesson.date, time: lesson.startsAt }, school.zone);
      const found: TalliedLesson = {
        key,
        at: life.momentOf(lesson.date, lesson.startsAt),
        there,
        instantOf: (minute) => new Date(begins + Math.round(minute * 60_000)).toISOString(),
      };
      tallied.set(lesson.className, [...(tallied.get(lesson.className) ?? []), found]);
    }
  }
  for (const [className, sectionId] of sections) {
    const pupils = term.students
      .filter((student) => student.classes.includes(className))
      .map((student) => ({ id: students.get(student.schoolId) ?? '', student }));
    const seated = { className, sectionId, pupils, life };
    for (const payload of makeRooms(seated, term.startsOn, () => book.id(begun)))
      if (payload.startsOn === null || payload.startsOn <= today) book.add('room.set', payload, begun);
    if (className === tickedClass)
      for (const payload of makeWishes(seated, () => book.id(begun)))
        book.add('seatWish.set', payload, begun);
  }
  addTicks(book, { term, sections, students, today }, now);
  const checkInSectionId = sections.get(checkInClass) ?? '';
  book.add('checkIn.setting', { sectionId: checkInSectionId, ...checkInSetting }, begun);
  const momentOf = (date: string, before: number, startsAt: string) =>
    new Date(instantOf({ date, time: startsAt }, school.zone) - before * 60_000).toISOString();
  for (const payload of makeCheckIns(checkedIn, life, momentOf))
    book.add('checkIn.record', payload, Date.parse(payload.checkIn.at));
  for (const [className, lessons] of tallied) addTallies(book, { className, lessons, life }, setup);
  for (const payload of makeSweeps(tallied.get(sweptClass) ?? [], life))
    book.add('sweep.set', payload, Date.parse(`${payload.lesson.date}T16:00:00Z`));
  const played = { lessons: tallied.get(playedClass) ?? [], life };
  for (const { kind, payload, at } of makeGames(played, (moment) => book.id(moment)))
    book.add(kind, payload, at);
  const watched = { lessons: tallied.get(watchedClass) ?? [], life, begun };
  const watchedIn = sections.get(watchedClass) ?? '';
  for (const { kind, payload, at } of makeCloseWatch({ sectionId: watchedIn, ...watched }, (moment) =>
    book.id(moment),
  ))
    book.add(kind, payload, at);
  shippedReasons.forEach((name, position) => {
    book.add('nodReason.set', { id: book.id(begun), name, position }, begun);
  });
  for (const className of noddedClasses) {
    const nodded = { className, room: roomOf(className), lessons: tallied.get(className) ?? [], life };
    const nods = makeNods(nodded, (moment) => book.id(moment));
    for (const { at, payload } of nods) book.add('nod.give', payload, at);
    const momentAt = (date: string) => instantOf({ date, time: '15:20' }, school.zone);
    const drawn = {
      ...{
        sectionId: sections.get(className) ?? '',
        startsOn: term.startsOn,
        endsOn: term.endsOn,
        today,
        life,
      },
      nods: nods.flatMap(({ payload: { at, nods: given } }) =>
        given.map(({ studentId }) => ({ studentId, at })),
      ),
    };
    if (className === drawnClass)
      for (const { removed: _kept, ...payload } of makeDraws(drawn, (date) => book.id(momentAt(date))))
        book.add('draw.make', payload, momentAt(payload.at.slice(0, 10)));
  }
  const topics = demoTopics.map((topic) => ({ id: book.id(begun), ...topic }));
  for (const topic of topics) book.add('topic.add', { ...topic, marks: [] }, begun);
  const world = {
    topics,
    students: setup.student,
    newId: (at: number) => book.id(at),
    calendar: { terms: setup.term, daysOff: setup.dayOff, meetings: setup.meeting, lessons: [] },
  };
  for (const [className, lessons] of tallied) addNotes(book, className, lessons, world, now);
  addSteps(book, term, setup, sections, now);
}

interface TickedSchool {
  term: DemoTerm;
  sections: ReadonlyMap<string, string>;
  students: ReadonlyMap<string, string>;
  today: string;
}

/** A tick-sheet for a day on the island. */
function addTicks(book: TermBook, { term, sections, students, today }: TickedSchool, now: number): void {
  const at = Math.max(now - 3_600_000, setUpAt(term));
  const studentIds = term.students
    .filter(({ classes: of }) => of.includes(tickedClass))
    .map(({ schoolId }) => students.get(schoolId) ?? '');
  const sheet = { sectionId: sections.get(tickedClass) ?? '', studentIds, today, life: term.life };
  const { columns, ticks } = makeTicks(sheet, () => book.id(at));
  book.add('tickColumn.set', { columns }, at);
  book.add('tick.set', { ticks }, at);
}

/** The call home in the seventh week, after which a run of absence ended. */
function addSteps(
  book: TermBook,
  term: DemoTerm,
  { student }: Setup,
  sections: ReadonlyMap<string, string>,
  now: number,
): void {
  const pell = student.find(({ givenName, familyName }) => `${givenName} ${familyName}` === 'Pell Arbuckle');
  const date = addDays(term.startsOn, 6 * 7 + 3);
  const at = instantOf({ date, time: '16:10' }, school.zone);
  if (!pell || at > now) return;
  const step = {
    id: book.id(at),
    studentId: pell.id,
    sectionId: sections.get('Boat Workshop') ?? '',
    concern: 'absent' as const,
    at: new Date(at).toISOString(),
    kind: 'Contact home',
    text: 'Called home: the ferry times had changed. The early boat now.',
    lookAgainOn: addDays(date, 14),
    contact: {
      ...{ way: 'call' as const, toWhom: 'guardians' as const, withWhom: '' },
      ...{ isReached: true, tone: 'worry' as const },
    },
  };
  book.add('step.take', step, at);
  const { id, studentId, kind, text } = step;
  const again = instantOf({ date: step.lookAgainOn, time: '16:00' }, school.zone);
  if (again < now) book.add('step.set', { id, studentId, kind, text, lookAgainOn: null }, again);
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
    life: term.life,
    startsOn: term.startsOn,
    today: localMoment(now, school.zone).date,
  });
  await client.postFile(addressOf('bringArchive'), archive);
}

const roomOf = (className: string) => classes.find(({ name }) => name === className)?.room ?? '';

/** A teacher's notes; what was promised more than a few days ago is settled. */
function addNotes(
  book: TermBook,
  className: string,
  lessons: readonly TalliedLesson[],
  world: NoteWorld,
  now: number,
): void {
  const room = roomOf(className);
  for (const payload of makeNotes(className, lessons, room, world)) {
    book.add('note.write', payload, Date.parse(payload.at));
    const { id, lookAgainOn } = payload;
    if (lookAgainOn === null || Date.parse(lookAgainOn) > now - 4 * 86_400_000) continue;
    const settledAt = Date.parse(`${lookAgainOn}T15:00:00Z`);
    book.add('followUp.set', { id, dueOn: lookAgainOn, outcome: 'done' }, settledAt);
  }
}

/** What was seen in the lessons of a class, and the circles it sat in. */
function addTallies(
  book: TermBook,
  { className, lessons, life }: ClassTerm,
  { focus: focuses, lookFor }: Setup,
): void {
  const focus = focuses.find(({ name }) => name === talliedClasses[className]);
  if (!focus) throw new Error(`There is no set for ${className}`);
  const lookFors = focus.lookForIds.flatMap((id) => lookFor.find((found) => found.id === id) ?? []);
  const newId = (at: number) => book.id(at);
  for (const { kind, payload } of makeTallies({ className, lessons, life }, focus, lookFors, newId))
    book.add(kind, payload, Date.parse(`${payload.lesson.date}T16:00:00Z`));
  if (className !== circleClass) return;
  for (const { begin, tallies, endedAt, goals } of makeCircles(lessons, lookFors, newId)) {
    book.add('circle.begin', begin, Date.parse(begin.startedAt));
    book.add('tally.add', tallies, Date.parse(endedAt) - 1000);
    book.add('circle.end', { id: begin.id, endedAt }, Date.parse(endedAt));
    for (const goal of goals) book.add('circle.nextGoal', goal, Date.parse(endedAt) + 1000);
  }
}

/** Who was in a lesson at its beginning. */
function thereIn(lesson: DemoLesson, term: DemoTerm, students: ReadonlyMap<string, string>) {
  const missing = new Set(lesson.exceptions.map(({ student }) => student.schoolId));
  return term.students
    .filter(({ classes: own, schoolId }) => own.includes(lesson.className) && !missing.has(schoolId))
    .map((student) => ({ id: students.get(student.schoolId) ?? '', student }));
}

function markOf(exception: Exception, studentId: string, standings: Standing[]): MarkFields {
  const { kind, arrivedAt, leftAt } = exception;
  const countsAs = kind === 'excused' ? 'away' : kind;
  const standing = standingFor(standings, countsAs, kind === 'excused');
  return { studentId, standingId: standing?.id ?? null, arrivedAt, leftAt };
}

function addLesson(
  book: TermBook,
  lesson: DemoLesson,
  key: Payload<'roll.mark'>['lesson'],
  students: Map<string, string>,
  standings: Standing[],
): void {
  const at = Date.parse(lesson.takenAt);
  if (lesson.fate === 'forgotten') return;
  if (lesson.fate === 'set_aside') {
    book.add('lesson.setAside', { lesson: key, setAside: true, label: 'Assembly' }, at);
    return;
  }
  const idOf = (exception: Exception) => students.get(exception.student.schoolId) ?? '';
  const marks = lesson.exceptions.map((exception) => markOf(exception, idOf(exception), standings));
  book.add('roll.mark', { lesson: key, marks, takenAt: lesson.takenAt }, at);
  for (const exception of lesson.exceptions) {
    if (!exception.comment) continue;
    book.add(
      'roll.comment',
      { lesson: key, studentId: idOf(exception), comment: exception.comment },
      at + 60_000,
    );
  }
}
