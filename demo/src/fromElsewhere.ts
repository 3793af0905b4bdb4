import seedrandom from 'seedrandom';
import { ArchiveRows } from '@slate-path/core/archive/archiveRows';
import { writeArchive } from '@slate-path/core/archive/writeArchive';
import { addDays, datesBetween, weekdayOf } from '@slate-path/core/calendar/localTime';
import type { Section, Student } from '@slate-path/core/records/schema';
import { school } from './scenario';
import { daysOffOf } from './files';

/** The class of the demo whose work is set and handed in on a learning platform. */
export const workClass = 'Log-keeping';

/** Late and missing work from a week on, and one who is hardly seen online any more; by given name. */
const missingFrom = { place: 3, week: 8, share: 0.55 };
const quietFrom = { place: 7, week: 8, factor: 0.25 };

interface World {
  section: Pick<Section, 'id' | 'name' | 'subject' | 'room'>;
  /** Of that class, in the order of the roster. */
  students: readonly Student[];
  startsOn: string;
  /** The last day of which anything is known. */
  today: string;
}

const titles = [
  'Log of the watch',
  'Tide table, copied fair',
  'Letter to the harbour',
  'Weather, a page',
  'The ferry’s week',
];

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

/** Two pieces of work a week, handed in, late or not at all, with scores. */
function addWork(
  rows: ArchiveRows,
  { section, students, startsOn, today }: World,
  days: readonly string[],
): void {
  const random = seedrandom('work handed in');
  days
    .filter((date) => [2, 5].includes(weekdayOf(date)))
    .forEach((date, index) => {
      if (date >= today) return;
      const work = `log-work-${index}`;
      rows.add('work', {
        id: work,
        section_id: section.id,
        title: `${titles[index % titles.length] ?? ''} ${Math.floor(index / titles.length) + 1}`,
        assigned_at: `${addDays(date, -3)}T15:00:00`,
        due_at: `${date}T08:30:00`,
        points: 20,
      });
      const week = weekOf(startsOn, date);
      students.forEach((student, place) => {
        const [draw, lateDraw, scoreDraw] = [random(), random(), random()];
        const isMissing =
          draw < (place === missingFrom.place && week >= missingFrom.week ? missingFrom.share : 0.04);
        const isLate = !isMissing && lateDraw < 0.08;
        const on = isLate ? addDays(date, 1) : date;
        rows.add('hand_ins', {
          work_id: work,
          student_id: student.id,
          status: isMissing ? 'missing' : 'handed_in',
          handed_in_at: isMissing
            ? null
            : `${on}T${isLate ? '19' : '07'}:${String(10 + Math.floor(scoreDraw * 40))}:00`,
          handed_back_at: null,
          score: isMissing ? null : Math.round(9 + (place % 7) + scoreDraw * 5),
        });
      });
    });
}

const weekOf = (startsOn: string, date: string) => Math.floor(datesBetween(startsOn, date).length / 7);
const kinds = ['opened a file', 'posted', 'replied', 'edited a file'];

/** What was done on the platform, day by day; everyone in their own measure. */
function addActivity(
  rows: ArchiveRows,
  { section, students, startsOn, today }: World,
  days: readonly string[],
): void {
  const random = seedrandom('online');
  for (const date of days) {
    if (date >= today) continue;
    const week = weekOf(startsOn, date);
    students.forEach((student, place) => {
      const usual = 1.5 + (place % 6) * 0.6;
      const mean = place === quietFrom.place && week >= quietFrom.week ? usual * quietFrom.factor : usual;
      const count = Math.floor(-Math.log(1 - random()) * mean * 0.6 + random() * mean);
      for (let one = 0; one < count; one += 1)
        rows.add('activity', {
          id: `act-${date}-${place}-${one}`,
          section_id: section.id,
          student_id: student.id,
          at: `${date}T${String(8 + Math.floor(random() * 12)).padStart(2, '0')}:${String(Math.floor(random() * 60)).padStart(2, '0')}:00`,
          kind: kinds[Math.floor(random() * kinds.length)] ?? '',
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
  const off = daysOffOf(world.startsOn);
  const days = datesBetween(world.startsOn, world.today).filter(
    (date) => weekdayOf(date) <= 5 && !off.some((day) => day.startsOn <= date && date <= day.endsOn),
  );
  addPeople(rows, world);
  addWork(rows, world, days);
  addActivity(rows, world, days);
  return writeArchive(rows.archive, school.zone);
}
