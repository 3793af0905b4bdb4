import type { Known } from '../../src/attendance/participants/matchPeople';
import { meetingRoll } from '../../src/attendance/participants/meetingRoll';
import { readParticipantFile } from '../../src/attendance/participants/readParticipantFile';
import { readParticipants } from '../../src/attendance/participants/readParticipants';
import { students } from '../matchingCases';
import { readingCases, type ReadingCase } from './cases';

const more = `
mj | Min-jun | Lee
jb | Jean-Baptiste | Moreau
rv | Rosa | van der Linden
al | Ana Lúcia | de Souza Lima
ka2 | Khadija | Al-Amin
`;
const known: Known[] = [
  ...students,
  ...more
    .trim()
    .split('\n')
    .map((line) => {
      const [id = '', givenName = '', familyName = ''] = line.split('|').map((cell) => cell.trim());
      return { id, givenName, familyName, called: '', email: '', schoolId: '' };
    }),
];
const options = { looseEmail: true, remembered: new Map<string, string | null>() };
const lessonShape = /\[(?:(\S+) )?(\d\d:\d\d)-(\d\d:\d\d)\]/;

/** What a list makes of everybody, in the words of the cases; and who is asked about. */
async function rollOf({ title, input }: ReadingCase) {
  const [, date, startsAt, endsAt] = lessonShape.exec(title) ?? [];
  const lesson = startsAt && endsAt ? { date: date ?? null, startsAt, endsAt } : null;
  const { participants } = readParticipants(
    await readParticipantFile(new TextEncoder().encode(input)),
    date ?? null,
  );
  const { marks, unmatched } = meetingRoll(participants, known, lesson, 5, options);
  const words = marks
    .filter(({ standing }) => standing !== 'away')
    .map(({ studentId, standing, arrivedAt, leftAt }) => {
      if (standing === 'late') return `${studentId} late ${arrivedAt?.slice(0, 5) ?? ''}`;
      return standing === 'left_early'
        ? `${studentId} left ${leftAt?.slice(0, 5) ?? ''}`
        : `${studentId} here`;
    });
  const asked = unmatched.map(({ lines, candidates }) => ({ entry: lines[0]?.written ?? '', candidates }));
  return { words, asked };
}

/** Wrong standings, needless questions and strangers nobody asked about, over a file of cases. */
async function figures(file: string) {
  const found = { entries: 0, wrong: [] as string[], needless: [] as string[], unasked: [] as string[] };
  for (const one of readingCases(file)) {
    const { words, asked } = await rollOf(one);
    const sure = one.expected.filter((line) => /^\w/.test(line));
    found.entries += sure.length;
    for (const line of sure) {
      const [id = ''] = line.split(' ');
      if (words.includes(line)) continue;
      const isAsked = asked.some(({ candidates }) => candidates.includes(id));
      const isAway = !words.some((word) => word.startsWith(`${id} `));
      (isAsked && isAway ? found.needless : found.wrong).push(`${one.title}: ${line}`);
    }
    const ids = new Set(sure.map((line) => line.split(' ')[0]));
    for (const word of words)
      if (!ids.has(word.split(' ')[0] ?? '')) found.wrong.push(`${one.title}: not ${word}`);
    for (const line of one.expected.filter((expected) => !/^\w/.test(expected))) {
      const [entry = '', wanted = ''] = line.slice(2).split(' : ');
      const question = asked.find(({ entry: written }) => written.includes(entry));
      const all = wanted.split(' ').filter(Boolean);
      if (!question || !all.every((id) => question.candidates.includes(id)))
        found.unasked.push(`${one.title}: ${line} (${JSON.stringify(asked)})`);
    }
  }
  return found;
}

test.each(['participants.tuned.txt', 'participants.heldOut.txt'])(
  '%s: nobody is marked wrongly, every stranger is asked about, and few others',
  async (file) => {
    const { entries, wrong, needless, unasked } = await figures(file);
    expect({ wrong, unasked }).toEqual({ wrong: [], unasked: [] });
    if (needless.length > 0)
      console.warn(`${file}: ${needless.length} of ${entries}\n${needless.join('\n')}`);
    expect(needless.length / entries).toBeLessThanOrEqual(0.05);
  },
);
