import type { Archive } from '../../src/keeping/archive/tables';
import type { RecordLists } from '../../src/records/records';
import { classArchive, draw } from '../signals/classes';

export const zone = 'Europe/Dublin';

/** A row of each kind that the application does not make itself. */
export function fullArchive(): Archive {
  const archive = classArchive({
    lessons: 12,
    students: 4,
    how: (i, lesson) => ({ away: draw(i, lesson) < 0.1, spoke: i, level: i, late: i === 3 }),
  });
  const line = 0;
  archive.guardians.push(
    {
      student_id: 'p0',
      name: 'Bea "B." Abara',
      email: 'bea@example.org',
      phone: '=1+1',
      relation: 'aunt',
      line,
    },
    {
      student_id: 'p0',
      name: 'Bea "B." Abara',
      email: 'bea@example.org',
      phone: '=1+1',
      relation: 'aunt',
      line,
    },
  );
  archive.days_off.push({ date: '2026-02-16', name: 'Storm day', line });
  archive.work.push({
    id: 'w',
    section_id: 's',
    title: 'Log, "fair"',
    assigned_at: null,
    due_at: '2026-01-09T08:30:00',
    points: 12.5,
    line,
  });
  archive.hand_ins.push({
    work_id: 'w',
    student_id: 'p1',
    status: 'handed_in',
    handed_in_at: '2026-01-10T19:02:11',
    handed_back_at: null,
    score: 7.25,
    line,
  });
  archive.activity.push({
    id: 'a1',
    section_id: null,
    student_id: 'p1',
    at: '2026-03-29T01:30:00',
    kind: 'posted',
    place: 'Log book',
    object: '',
    seconds: 4.5,
    line,
  });
  archive.topics.push({ id: 't1', name: 'Knots', trouble: true, line });
  archive.notes.push({
    id: 'n1',
    at: '2026-01-08T10:59:07',
    lesson_id: 'l3',
    text: 'two lines\r\nand "quotes", -5 points \u{1F41F}',
    line,
  });
  archive.note_students.push({ note_id: 'n1', student_id: 'p2', line });
  archive.note_topics.push({ note_id: 'n1', topic_id: 't1', line });
  archive.steps.push({
    id: 's1',
    student_id: 'p2',
    at: '2026-01-08T16:10:00',
    kind: 'Talk',
    text: 'At the slip.',
    look_again_on: '2026-01-22',
    line,
  });
  archive.nods.push({
    id: 'd1',
    student_id: 'p3',
    at: '2026-01-08T12:00:00',
    reason: 'helped',
    place: 'shed',
    comment: '',
    line,
  });
  archive.check_ins.push({
    lesson_id: 'l3',
    student_id: 'p1',
    at: '2026-01-08T10:38:00',
    weather: 4,
    wants_word: true,
    lunch: 'soup',
    comment: '',
    line,
  });
  return archive;
}

const instant = (n: number) => new Date(Date.UTC(2026, 8, 1) + n * 3_723_456).toISOString();

/** Records with what the format has no place for: rules, ranges of days off, circles, links with spans, retired things. */
export function ourRecords(seed: number): RecordLists {
  const kept = { removed: false };
  const allDay = { offFrom: null, offUntil: null };
  const text = draw(seed, 1) < 0.5 ? 'Ünal said “no”' : '=HYPERLINK("x")';
  return {
    school: [
      {
        id: 'school',
        ...kept,
        name: 'Tern Rock',
        zone,
        graceMinutes: 7,
        periods: [{ name: 'P1', startsAt: '09:00', endsAt: '09:50' }],
      },
    ],
    term: [{ id: 'T', ...kept, name: 'Autumn', startsOn: '2026-08-31', endsOn: '2026-12-11' }],
    dayOff: [
      { id: 'D', ...kept, startsOn: '2026-10-19', endsOn: '2026-10-23', name: 'Spring tide', ...allDay },
      { id: 'E', ...kept, startsOn: '2026-11-10', endsOn: '2026-11-10', name: 'Storm', ...allDay },
      {
        id: 'F',
        ...kept,
        startsOn: '2026-11-16',
        endsOn: '2026-11-16',
        name: 'Early tide',
        offFrom: '12:00',
        offUntil: null,
      },
    ],
    section: [
      {
        id: 'S',
        ...kept,
        name: 'Boat Workshop',
        subject: '',
        room: 'Shed',
        graceMinutes: 3,
        awayFromShare: 0.5,
        latesPerAbsence: 3,
        creditBy: 'minutes',
        halfDayMinutes: null,
        taughtWithId: null,
        attendedByWork: false,
        wholeDayMinutes: null,
        lessonModes: ['sweep', 'roll'],
      },
    ],
    meeting: [
      {
        id: 'M',
        ...kept,
        sectionId: 'S',
        weekday: 1,
        startsAt: '10:40',
        endsAt: '11:30',
        validFrom: null,
        validUntil: null,
        everyOtherFrom: '2026-09-07',
      },
    ],
    student: [
      {
        id: 'A',
        ...kept,
        givenName: 'Jun',
        familyName: '',
        called: '',
        email: '',
        grade: '8',
        schoolId: '17',
      },
      {
        id: 'B',
        removed: true,
        givenName: 'Mei',
        familyName: 'T',
        called: '',
        email: '',
        grade: '',
        schoolId: '',
      },
    ],
    guardian: [{ id: 'G', ...kept, studentId: 'A', name: text, email: '', phone: '', relation: '' }],
    enrolment: [
      { id: 'N', ...kept, sectionId: 'S', studentId: 'A', cohort: '', startsOn: null, endsOn: null },
      { id: 'O', ...kept, sectionId: 'S', studentId: 'B', cohort: '', startsOn: null, endsOn: '2026-10-01' },
    ],
    standing: [
      {
        id: 'X',
        removed: true,
        code: 'A',
        name: 'Away',
        countsAs: 'away',
        credit: 0,
        excused: false,
        position: 3,
        mergedIntoId: null,
      },
      {
        id: 'U',
        removed: true,
        code: 'U',
        name: 'Unused',
        countsAs: 'here',
        credit: 1,
        excused: false,
        position: 4,
        mergedIntoId: null,
      },
    ],
    lesson: [
      {
        id: 'M.2026-09-07',
        ...kept,
        sectionId: 'S',
        date: '2026-09-07',
        startsAt: '10:40',
        endsAt: '11:30',
        label: '',
        setAside: false,
        takenAt: instant(seed),
      },
    ],
    mark: [
      {
        id: 'M.2026-09-07/A',
        ...kept,
        lessonId: 'M.2026-09-07',
        studentId: 'A',
        standingId: 'X',
        arrivedAt: null,
        leftAt: null,
        comment: text,
        source: 'range',
      },
    ],
    lookFor: [
      {
        id: 'F',
        ...kept,
        name: 'Spoke',
        tone: 'wanted',
        measure: 'count',
        sign: 'voice',
        sectionId: 'S',
        position: 2,
      },
    ],
    focus: [{ id: 'H', ...kept, name: 'Discussion', sectionId: null, lookForIds: ['F'] }],
    tallying: [
      {
        id: 'M.2026-09-07',
        ...kept,
        lessonId: 'M.2026-09-07',
        onAt: instant(seed + 1),
        offAt: null,
        focusId: 'H',
      },
    ],
    tally: [
      {
        id: 'Y',
        ...kept,
        lessonId: 'M.2026-09-07',
        studentId: 'A',
        lookForId: 'F',
        at: instant(seed + 2),
        amount: 1,
        circleId: null,
        correctedFrom: null,
        unsure: false,
      },
    ],
    topic: [{ id: 'K', ...kept, name: 'Knots', trouble: false, alsoCalled: ['bends'], mergedIntoId: null }],
    note: [
      {
        id: 'P',
        ...kept,
        text,
        at: instant(seed + 3),
        happenedAt: null,
        lessonId: null,
        sectionId: 'S',
        place: '',
        own: true,
        doubts: [],
      },
    ],
    noteStudent: [{ id: 'P.A', ...kept, noteId: 'P', studentId: 'A', spans: [{ from: 0, to: 3 }] }],
    step: [
      {
        id: 'Q',
        ...kept,
        ...{ studentId: 'A', sectionId: 'S', concern: 'absent' as const },
        ...{ at: instant(seed + 4), kind: 'Talk' },
        text,
        ...{ contact: null, lookAgainOn: null },
      },
    ],
    quiet: [
      {
        id: 'S/A/absent',
        ...kept,
        studentId: 'A',
        sectionId: 'S',
        concern: 'absent',
        at: instant(seed + 5),
        until: null,
        because: text,
        strength: 0.5,
      },
    ],
  };
}
