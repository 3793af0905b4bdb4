import { addDays, weekdayOf } from '@slate-path/core/calendar/localTime';
import { makeDraw, type DrawOptions } from '@slate-path/core/nods/draws/make';
import { seeds } from '@slate-path/core/nods/draws/tickets';
import type { Draw } from '@slate-path/core/records/schema';
import type { SchoolLife } from './life';

interface DrawnClass {
  sectionId: string;
  startsOn: string;
  endsOn: string;
  /** The demo's present: nothing after it was drawn. */
  today: string;
  nods: readonly { studentId: string; at: string }[];
  life: SchoolLife;
}

const friday = 5;
const everyDays = 14;

/** One of those with nods, every other Friday from the fourth week on; nobody twice until everyone has had a turn. */
export function makeDraws(
  { sectionId, startsOn, endsOn, today, nods, life }: DrawnClass,
  newId: (date: string) => string,
): Draw[] {
  const draws: Draw[] = [];
  const first = addDays(startsOn, 21 + ((friday - weekdayOf(startsOn) + 7) % 7));
  for (let date = first; date < today && date <= endsOn; date = addDays(date, everyDays)) {
    const at = `${date}T15:20:00`;
    const counts = new Map<string, number>();
    for (const nod of nods) if (nod.at < at) counts.set(nod.studentId, (counts.get(nod.studentId) ?? 0) + 1);
    const options: DrawOptions = {
      ...{ sectionId, groupName: '', at, startsOn, endsOn, chances: 'nods', wanted: 1 },
      ...{ rest: 'everyone', restWeeks: null },
      seed: life.chance(`draw ${date}`, null).whole(0, seeds - 1),
    };
    if (counts.size > 0) draws.push({ id: newId(date), removed: false, ...makeDraw(options, counts, draws) });
  }
  return draws;
}
