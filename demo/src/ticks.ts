import { addDays, weekdayOf } from '@slate-path/core/calendar/localTime';
import type { ChangeOf } from '@slate-path/core/changes/schema';
import type { SchoolLife } from './life';

/** The class of the demo that keeps a tick-sheet. */
export const tickedClass = 'Boat Workshop';

type Column = ChangeOf<'tickColumn.set'>['payload']['columns'][number];
type Tick = ChangeOf<'tick.set'>['payload']['ticks'][number];

/** So many days before the demo's present things were asked for. */
const asked = 20;
const friday = 5;

interface Sheet {
  sectionId: string;
  studentIds: readonly string[];
  today: string;
  life: SchoolLife;
}

/** What is collected for a day on the island: most of it is there, a few still owe. */
export function makeTicks(
  { sectionId, studentIds, today, life }: Sheet,
  newId: () => string,
): { columns: Column[]; ticks: Tick[] } {
  const column = (number: number, name: string, more: Partial<Column>): Column => ({
    ...{ id: newId(), sectionId, number, name, kind: 'tick', dueOn: null, legend: '' },
    ...{ most: null, unit: '', choices: [], shown: false, ...more },
  });
  // The Friday after this week's at the latest.
  const dueOn = addDays(today, ((friday - weekdayOf(today) + 6) % 7) + 1);
  const slip = column(1, 'Slip for the island', {
    ...{ dueOn, legend: 'The blue one, signed at home', shown: true },
  });
  const fee = column(2, 'Boat fee', {
    kind: 'fee',
    most: 12.5,
    unit: '€',
    dueOn,
    shown: true,
  });
  const lunch = column(3, 'Lunch on board', { kind: 'choice', choices: ['Fish', 'Vegetables', 'Own'] });
  const rules = column(4, 'Safety rules', { kind: 'ofMany', most: 8, legend: 'Of the eight on the card' });
  const jacket = column(5, 'Jacket', { kind: 'number', unit: 'kg', legend: 'The weight it must carry' });
  const swim = column(6, 'Swim test', { kind: 'date' });
  const locker = column(7, 'Locker', { kind: 'text' });
  const chance = life.chance('tick-sheet');
  const ticks = studentIds.flatMap((studentId, place): Tick[] => {
    const cell = (of: Column, value: string, more: Partial<Tick> = {}): Tick => ({
      ...{ columnId: of.id, studentId, value, on: addDays(today, -chance.whole(0, asked)), ...more },
    });
    const pick = (choices: readonly string[]) => choices[chance.whole(0, choices.length - 1)] ?? '';
    const away = chance.hit(0.05);
    return [
      ...(away
        ? [
            { columnId: slip.id, studentId, exempt: true },
            { columnId: fee.id, studentId, exempt: true },
          ]
        : []),
      ...(!away && chance.hit(0.75) ? [cell(slip, 'yes')] : []),
      ...(!away && chance.hit(0.65) ? [cell(fee, chance.hit(0.12) ? '5' : '12.5')] : []),
      ...(chance.hit(0.85) ? [cell(lunch, pick(lunch.choices))] : []),
      ...(chance.hit(0.9) ? [cell(rules, String(chance.hit(0.6) ? 8 : chance.whole(4, 7)))] : []),
      ...(chance.hit(0.9) ? [cell(jacket, String(chance.whole(34, 61)))] : []),
      ...(chance.hit(0.8) ? [cell(swim, addDays(today, -chance.whole(20, 80)))] : []),
      cell(locker, `B${place + 11}`),
    ];
  });
  return { columns: [slip, fee, lunch, rules, jacket, swim, locker], ticks };
}
