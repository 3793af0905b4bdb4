import { listOf, type Records } from '@slate-path/core/records/records';
import type { Circle, CircleMember, Lesson, LookFor, Tally } from '@slate-path/core/records/schema';
import { circleShares, type CircleShares } from '@slate-path/core/observation/circle/shares';
import { tallyHistory } from '@slate-path/core/observation/tallies/history';
import { now } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { lookedAt } from '../tallies/tallying';

const instant = () => new Date(now()).toISOString();

/** A class's circles, latest first. */
export function circlesOf(records: Records, sectionId: string): Circle[] {
  return listOf(records, 'circle')
    .filter((circle) => circle.sectionId === sectionId)
    .sort((a, b) => (a.startedAt < b.startedAt ? 1 : -1));
}

/** Who is in a circle, as they sit. */
export function membersOf({ circleMember }: Pick<Records, 'circleMember'>, circleId: string): CircleMember[] {
  return Object.values(circleMember)
    .filter((member) => !member.removed && member.circleId === circleId)
    .sort((a, b) => a.place - b.place || (a.studentId < b.studentId ? -1 : 1));
}

export function talliesOf(records: Records, circleId: string): Tally[] {
  return Object.values(records.tally).filter((tally) => !tally.removed && tally.circleId === circleId);
}

/** The look-fors of a circle, also those retired since. */
export function movesOf({ lookForIds }: Circle, { lookFor }: Pick<Records, 'lookFor'>): LookFor[] {
  return lookForIds.flatMap((id) => lookFor[id] ?? []);
}

/** Who said how much of what. */
export function sharesOf(circle: Circle, records: Records): CircleShares {
  const tallies = talliesOf(records, circle.id);
  // A look-for taken in from elsewhere during the circle counts as well.
  const ids = new Set([...circle.lookForIds, ...tallies.map(({ lookForId }) => lookForId)]);
  const lookFors = [...ids].flatMap((id) => records.lookFor[id] ?? []);
  return circleShares(membersOf(records, circle.id), tallies, lookFors);
}

/** What somebody was to try next time. */
type Goal = Pick<CircleMember, 'nextLookForId' | 'nextCount'>;

/** One who sits down, with the goal set after the last circle. */
function newMember(studentId: string, place: number, goal: Goal | undefined) {
  return {
    studentId,
    place,
    goalLookForId: goal?.nextLookForId ?? null,
    goalCount: goal?.nextLookForId ? (goal.nextCount ?? 1) : null,
    feedback: '',
    nextLookForId: null,
    nextCount: null,
  };
}

interface Beginning {
  studentIds: readonly string[];
  lookForIds: string[];
  groupName: string;
  /** Goals by student, as they were set after the last circle. */
  goals: ReadonlyMap<string, Goal>;
}

/** Begins a circle; who is in it sits in the order given. */
export function beginCircle(lesson: Lesson, { studentIds, goals, ...what }: Beginning): string {
  const id = newId();
  const members = studentIds.map((studentId, place) => newMember(studentId, place, goals.get(studentId)));
  makeChange(
    'circle.begin',
    { ...lookedAt(lesson), id, ...what, startedAt: instant(), members },
    tallyHistory(lesson.id),
  );
  return id;
}

/** Somebody who comes in while it goes on sits down last, with the goal from the circle before. */
export function joinCircle(circle: Circle, studentId: string, records: Records): void {
  const places = membersOf(records, circle.id).map(({ place }) => place);
  const before = circlesOf(records, circle.sectionId).find(({ startedAt }) => startedAt < circle.startedAt);
  const goal = before && membersOf(records, before.id).find((member) => member.studentId === studentId);
  const member = newMember(studentId, Math.max(-1, ...places) + 1, goal);
  makeChange('circle.join', { circleId: circle.id, members: [member] }, circle.id);
}

export function endCircle(id: string, endedAt: string = instant()): void {
  makeChange('circle.end', { id, endedAt }, id);
}

export function goOn(id: string): void {
  makeChange('circle.end', { id, endedAt: null }, id);
}
