import { ArchiveRows } from '@slate-path/core/keeping/archive/archiveRows';
import { writeArchive } from '@slate-path/core/keeping/archive/writeArchive';
import { addDays, weekdayOf } from '@slate-path/core/calendar/localTime';
import type { Section, Student } from '@slate-path/core/records/schema';
import type { SchoolLife } from './life';
import { school } from './scenario';
import { drawHandIn, drawOnline } from './simulator/draws';
import { nightWorkers } from './stories';
import { schoolDays } from './term';

/** The class of the demo whose work is set and handed in on a learning platform. */
export const workClass = 'Log-keeping';

interface World {
  section: Pick<Section, 'id' | 'name' | 'subject' | 'room'>;
  /** Of that class, in the order of the roster. */
  students: readonly Student[];
  life: SchoolLife;
  startsOn: string;
  /** The last day of which anything is known. */
  today: string;
}

const points = 20;
const titles = [
  'Log of the watch',
  'Tide table, copied fair',
  'Letter to the harbour',
  'Weather, a page',
  'The ferry’s week',
];

/** The days on which a piece of work is due, from the term's first day up to one. */
export const dueDays = (startsOn: string, to: string): string[] =>
  schoolDays(startsOn, to).filter((date) => [2, 5].includes(weekdayOf(date)));

export const pieceTitle = (index: number): string =>
  `${titles[index % titles.length] ?? ''} ${Math.floor(index / titles.length) + 1}`;

function addPeople(rows: ArchiveRows, { section, students }: World): void {
  const { id, name, subject, room } = section;
  rows.add('sections', { id, name, subject, room });
  for (const student of students)
    rows.add('students', {
      id: student.id,
      given_name: student.givenName,
      family_name: student.familyName,
      called: student.called,
      email: student.email,
      grade: student.grade,
    });
}

/** The teacher hands back in the afternoon, some days after a piece was due; what came later, later. */
function backOn(due: string, daysLate: number, index: number, today: string): string | null {
  const day = addDays(due, Math.max(daysLate, 0) + 2 + ((index * 3) % 5));
  return day < today ? `${day}T15:30:00` : null;
}

/** Two pieces of work a week, handed in, late or not at all, with scores. */
function addWork(rows: ArchiveRows, { section, students, life, startsOn, today }: World): void {
  dueDays(startsOn, today)
    .filter((date) => date < today)
    .forEach((date, index) => {
      const work = `log-work-${index}`;
      rows.add('work', {
        id: work,
        section_id: section.id,
        title: pieceTitle(index),
        assigned_at: `${addDays(date, -3)}T15:00:00`,
        due_at: `${date}T08:30:00`,
        points,
      });
      const at = life.momentOf(date);
      const chance = life.chance('work', at);
      for (const student of students) {
        const usual = life.usualOf(student, at);
        const drawn = drawHandIn(chance, usual, life.moodOf(date, section.name));
        // What comes late and has not come yet is missing today.
        const handedIn = drawn && addDays(date, drawn.daysLate) < today ? drawn : null;
        const minute = chance.whole(10, 49);
        rows.add('hand_ins', {
          work_id: work,
          student_id: student.id,
          status: handedIn ? 'handed_in' : 'missing',
          handed_in_at: handedIn
            ? `${addDays(date, handedIn.daysLate)}T${handedIn.daysLate > 0 ? '19' : '07'}:${String(minute)}:00`
            : null,
          handed_back_at: handedIn ? backOn(date, handedIn.daysLate, index, today) : null,
          score: handedIn ? Math.round((handedIn.score / 100) * points) : null,
        });
      }
    });
}

const kinds = ['opened', 'posted', 'answered', 'edited'];
const two = (number: number) => String(number).padStart(2, '0');

/** What was done on the platform, day by day; everyone in their own measure. */
function addActivity(rows: ArchiveRows, { section, students, life, startsOn, today }: World): void {
  for (const date of schoolDays(startsOn, today)) {
    if (date >= today) continue;
    const at = life.momentOf(date);
    const chance = life.chance('online', at);
    const mood = life.moodOf(date, section.name);
    students.forEach((student, place) => {
      const count = drawOnline(chance, life.usualOf(student, at), mood);
      const [first, last] = nightWorkers.has(`${student.givenName} ${student.familyName}`)
        ? [22, 23]
        : [8, 19];
      for (let one = 0; one < count; one += 1)
        rows.add('activity', {
          id: `act-${date}-${place}-${one}`,
          section_id: section.id,
          student_id: student.id,
          at: `${date}T${two(chance.whole(first, last))}:${two(chance.whole(0, 59))}:00`,
          kind: kinds[chance.whole(0, kinds.length - 1)] ?? '',
          place: 'Log book',
          object: '',
          seconds: null,
        });
    });
  }
}

/** What a learning platform knows of a class, as an archive: the open format that the application reads. */
export function platformArchive(world: World): Uint8Array {
  const rows = new ArchiveRows();
  addPeople(rows, world);
  addWork(rows, world);
  addActivity(rows, world);
  return writeArchive(rows.archive, school.zone);
}
