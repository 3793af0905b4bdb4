import type { ArchiveError } from './archiveError';
import type { Archive } from './tables';

/** An end that does not come after its beginning, or of a lesson on another day; a lesson twice. */
function* inLessons({ lessons }: Archive): Generator<ArchiveError> {
  const file = 'lessons.csv';
  const before = new Map<string, number>();
  for (const { line, section_id: section, starts_at: start, ends_at: end } of lessons) {
    if (end <= start) yield { file, line, reason: 'ends_at is not after starts_at' };
    else if (end.slice(0, 10) !== start.slice(0, 10))
      yield { file, line, reason: 'ends_at is on another day than starts_at' };
    const key = JSON.stringify([section, start]);
    const first = before.get(key);
    if (first === undefined) before.set(key, line);
    else yield { file, line, reason: `is the lesson of line ${first} again (section_id, starts_at)` };
  }
}

function* inRoll({ roll, standings }: Archive): Generator<ArchiveError> {
  const away = new Set(standings.filter((s) => s.counts_as === 'away').map(({ id }) => id));
  for (const { line, standing_id: standing, arrived_at: arrived, left_at: left } of roll) {
    if (arrived !== null && standing !== null && away.has(standing))
      yield { file: 'roll.csv', line, reason: 'arrived_at of someone away' };
    if (arrived !== null && left !== null && left < arrived)
      yield { file: 'roll.csv', line, reason: 'left_at is before arrived_at' };
  }
}

function* inEnrolments({ enrolments }: Archive): Generator<ArchiveError> {
  for (const { line, starts_on: start, ends_on: end } of enrolments)
    if (start !== null && end !== null && end < start)
      yield { file: 'enrolments.csv', line, reason: 'ends_on is before starts_on' };
}

function* inWork({ work, hand_ins: handIns }: Archive): Generator<ArchiveError> {
  for (const { line, assigned_at: assigned, due_at: due } of work)
    if (assigned !== null && due !== null && due < assigned)
      yield { file: 'work.csv', line, reason: 'due_at is before assigned_at' };
  for (const { line, handed_in_at: handedIn, handed_back_at: back } of handIns)
    if (handedIn !== null && back !== null && back < handedIn)
      yield { file: 'hand_ins.csv', line, reason: 'handed_back_at is before handed_in_at' };
}

/** What cannot be true together, though each row can be read: with the file and the line. */
export function findContradictions(archive: Archive): ArchiveError[] {
  return [...inLessons(archive), ...inRoll(archive), ...inEnrolments(archive), ...inWork(archive)];
}
