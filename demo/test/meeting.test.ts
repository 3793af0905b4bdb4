import { readTable } from '@slate-path/core/formats/table';
import { meetingRoll } from '@slate-path/core/attendance/participants/meetingRoll';
import { readParticipants } from '@slate-path/core/attendance/participants/readParticipants';
import { participantsAtSchool } from '@slate-path/core/attendance/participants/schoolTime';
import { participantList, type ListStyle } from '../src/meetingTool';
import { makeTerm } from '../src/term';

const term = makeTerm(Date.parse('2026-11-23T11:00:00Z'));
const students = term.students
  .filter(({ classes }) => classes.includes('Boat Workshop'))
  .map((student) => ({ ...student, id: student.schoolId }));
const lesson = { date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };
const meeting = { title: 'Boat Workshop', ...lesson, hosts: ['Ines Halloran'], students };
const options = { looseEmail: true, remembered: new Map<string, string | null>() };

async function rollOf(style: ListStyle, seed: string) {
  const list = participantList(meeting, style, seed);
  const reading = readParticipants(await readTable(new TextEncoder().encode(list)), lesson.date);
  const participants = participantsAtSchool(reading, 'Europe/Dublin', lesson.date);
  return { reading, ...meetingRoll(participants, students, lesson, 5, options) };
}

test.each(['report', 'log', 'names'] as const)(
  'the meeting tool’s lists in the style of a %s are understood, whoever was there',
  async (style) => {
    for (let seed = 1; seed <= 12; seed += 1) {
      const { reading, marks, unmatched } = await rollOf(style, String(seed));
      expect(reading.participants.length).toBeGreaterThan(15);
      // The host is a stranger; of the others hardly any is in doubt, and each doubt has its candidates.
      const doubts = unmatched.filter(({ lines }) => !lines[0]?.name.startsWith('Ines'));
      expect(doubts.length).toBeLessThanOrEqual(2);
      expect(doubts.every(({ candidates }) => candidates.length > 0)).toBe(true);
      const there = marks.filter(({ standing }) => standing !== 'away').length;
      expect(there + doubts.length).toBeGreaterThan(18);
    }
  },
);

test('a seed gives one meeting in every style: the same people are there', async () => {
  const [report, log] = [await rollOf('report', '7'), await rollOf('log', '7')];
  const said = ({ marks }: typeof report) =>
    marks.map(({ studentId, standing }) => `${studentId} ${standing}`);
  expect(said(log)).toEqual(said(report));
  expect(participantList(meeting, 'report', '7')).toBe(participantList(meeting, 'report', '7'));
  expect(participantList(meeting, 'report', '8')).not.toBe(participantList(meeting, 'report', '7'));
});
