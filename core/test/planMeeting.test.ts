import { readTable } from '../src/formats/table';
import { applyEdits, invertEdits } from '../src/changes/edit';
import { participantEdits } from '../src/attendance/participants/edits';
import { planMeeting, targetsOf } from '../src/attendance/participants/planMeeting';
import { readParticipants } from '../src/attendance/participants/readParticipants';
import { emptyRecords, mergeRecords, type Records } from '../src/records/records';
import { rollBookOf } from '../src/attendance/roll/book';
import { enrolment, lesson, mark, section, standings, student } from './records';

const people = [
  student({ id: 'a', givenName: 'Mei', familyName: 'Tanaka' }),
  student({ id: 'b', givenName: 'Dario', familyName: 'Quispe' }),
  student({ id: 'c', givenName: 'Jun', familyName: '' }),
  student({ id: 'd', givenName: 'Imani', familyName: 'Castellano' }),
  student({ id: 'later', givenName: 'Wren', familyName: 'Tesfaye' }),
];
const enrolments = people.map(({ id }) =>
  enrolment({ studentId: id, startsOn: id === 'later' ? '2026-12-01' : null }),
);
const options = { looseEmail: true, remembered: new Map<string, string | null>() };
const untaken = (date = '2026-11-23') => lesson({ id: `m.${date}`, date, takenAt: null });

const start = mergeRecords(emptyRecords(), {
  section: [section()],
  student: people,
  enrolment: enrolments,
  standing: standings,
});

async function listOf(text: string) {
  return readParticipants(await readTable(new TextEncoder().encode(text)), '2026-11-23').participants;
}

function plan(participants: Awaited<ReturnType<typeof listOf>>, records: Records, inHand = untaken()) {
  const book = rollBookOf({
    marks: Object.values(records.mark),
    standings,
    sections: [section()],
    school: undefined,
  });
  const recorded = records.lesson[inHand.id] ?? inHand;
  const { targets } = targetsOf(participants, [recorded], recorded, false);
  const [target] = targets;
  if (!target) throw new Error('No lesson');
  return planMeeting(target, people, enrolments, standings, book, options);
}

/** What the app records of a plan. */
function record(found: ReturnType<typeof plan>, records: Records) {
  const { id, sectionId, date, startsAt, endsAt } = found.lesson;
  const edits = participantEdits['participants.record']({
    about: id,
    lessons: [
      {
        lesson: { id, sectionId, date, startsAt, endsAt },
        marks: found.planned.map((item) => item.mark),
        takenAt: `${date}T11:00:00.000Z`,
      },
    ],
    answers: [{ id: 'answer', sectionId, entry: 'robin fields', studentId: null }],
  });
  return { after: applyEdits(records, edits), edits };
}

const words = (found: ReturnType<typeof plan>) =>
  found.planned.map(
    ({ mark: { studentId, standingId, arrivedAt, leftAt }, fate, fromElsewhere }) =>
      `${[studentId, standingId ?? 'here', arrivedAt, leftAt].filter(Boolean).join(' ')}: ${fate}${fromElsewhere ? ' by hand' : ''}`,
  );

const call = 'Name,Joined,Left\nMei Tanaka,10:35,11:40\nDario Q.,10:52,11:30\nJun,10:40,11:05\n';

test('exceptions only: here for all of it makes no mark, and who is not in the class yet is not asked for', async () => {
  const found = plan(await listOf(call), start);
  expect(words(found)).toEqual(['b L 10:52: new', 'c E 11:05: new', 'd A: new']);
  expect(found.marks.map(({ studentId, standing }) => `${studentId} ${standing}`)).toEqual([
    'a here',
    'b late',
    'c left_early',
    'd away',
  ]);
});

test('the same list again changes nothing, and the whole is taken back at once', async () => {
  const first = plan(await listOf(call), start);
  const { after, edits } = record(first, start);
  const again = plan(await listOf(call), after);
  expect(words(again)).toEqual(['b L 10:52: same', 'c E 11:05: same', 'd A: same']);
  expect(Object.values(after.mark).map(({ source }) => source)).toEqual([
    'participants',
    'participants',
    'participants',
  ]);
  const back = applyEdits(after, invertEdits(start, edits));
  expect(words(plan(await listOf(call), back))).toEqual(words(first));
  expect(back.participantAnswer['answer']?.removed).toBe(true);
});

test('a mark by hand is shown before it goes; one the list agrees with is left alone', async () => {
  const records = mergeRecords(start, {
    lesson: [lesson()],
    mark: [mark({ studentId: 'a', standingId: 'A' }), mark({ studentId: 'd', standingId: 'A' })],
  });
  expect(words(plan(await listOf(call), records))).toEqual([
    'a here: replaces by hand',
    'b L 10:52: replaces by hand',
    'c E 11:05: replaces by hand',
    'd A: same by hand',
  ]);
});

test('a list of several days goes to the lessons of its days; a day without one is said', async () => {
  const participants = await listOf(
    'Name,Joined,Left\nMei Tanaka,2026-11-20 10:40,2026-11-20 11:30\nJun,2026-11-23 10:40,2026-11-23 11:30\nJun,2026-11-21 10:40,2026-11-21 11:30\n',
  );
  const lessons = [untaken('2026-11-20'), untaken('2026-11-23'), untaken('2026-11-25')];
  const inHand = untaken('2026-11-25');
  const { targets, strangeDates } = targetsOf(participants, lessons, inHand, true);
  expect(
    targets.map(({ lesson: { date }, participants: lines }) => [date, lines.map(({ name }) => name)]),
  ).toEqual([
    ['2026-11-20', ['Mei Tanaka']],
    ['2026-11-23', ['Jun']],
  ]);
  expect(strangeDates).toEqual(['2026-11-21']);
  // The teacher's word that all of it is about the lesson in hand.
  const [all] = targetsOf(participants, lessons, inHand, false).targets;
  expect([all?.lesson.date, all?.participants.length]).toEqual(['2026-11-25', 3]);
  expect(all?.participants.every(({ joined }) => joined?.date === null)).toBe(true);
});

test('moved to another lesson: the marks are there, and the wrong roll is not taken any more', () => {
  const key = (date: string) => ({
    id: `m.${date}`,
    sectionId: 's',
    date,
    startsAt: '10:40',
    endsAt: '11:30',
  });
  const nowhere = { arrivedAt: null, leftAt: null };
  const records = mergeRecords(start, {
    lesson: [lesson()],
    mark: [mark({ studentId: 'd', standingId: 'A', source: 'participants' })],
  });
  const edits = participantEdits['participants.move']({
    from: {
      lesson: key('2026-11-23'),
      marks: [{ studentId: 'd', standingId: null, ...nowhere }],
      takenAt: null,
    },
    to: {
      lesson: key('2026-11-20'),
      marks: [{ studentId: 'd', standingId: 'A', ...nowhere }],
      takenAt: '2026-11-23T11:00:00.000Z',
    },
  });
  const after = applyEdits(records, edits);
  expect([after.lesson['m.2026-11-23']?.takenAt, after.mark['m.2026-11-23/d']?.standingId]).toEqual([
    null,
    null,
  ]);
  expect([after.lesson['m.2026-11-20']?.takenAt !== null, after.mark['m.2026-11-20/d']?.standingId]).toEqual([
    true,
    'A',
  ]);
  const back = applyEdits(after, invertEdits(records, edits));
  expect(back.mark['m.2026-11-23/d']?.standingId).toBe('A');
});
