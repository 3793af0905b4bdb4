import { groupBy } from '../../records/groupBy';
import type { Records } from '../../records/records';
import type { Draw } from '../../records/schema';
import type { ArchiveRows } from './archiveRows';
import { inOrder } from './keptRecords';
import type { Archive } from './tables';

/** Draws as files: each in a line, its list in lines of their own. */
export function addDraws(writer: ArchiveRows, records: Records): void {
  const draws = inOrder(records, 'draw');
  writer.addAll(
    'draws',
    draws.map((draw) => ({
      id: draw.id,
      section_id: draw.sectionId,
      group: draw.groupName,
      at: draw.at,
      starts_on: draw.startsOn,
      ends_on: draw.endsOn,
      chances: draw.chances,
      rest: draw.rest,
      rest_weeks: draw.restWeeks,
      wanted: draw.wanted,
      seed: draw.seed,
      tickets: draw.tickets,
      resting_tickets: draw.restingTickets,
    })),
  );
  writer.addAll(
    'draw_entries',
    draws.flatMap(({ id, entries, winners }) =>
      entries.map(({ studentId, rests, firstTicket, tickets }) => ({
        ...{ draw_id: id, student_id: studentId, rests, first_ticket: firstTicket, tickets },
        drawn: winners.includes(studentId) ? winners.indexOf(studentId) + 1 : null,
      })),
    ),
  );
}

/** The draws of an archive, each with its list. */
export function drawsOf(archive: Archive): Draw[] {
  const entriesOf = groupBy(archive.draw_entries, (row) => row.draw_id);
  return archive.draws.map((row) => {
    const entries = entriesOf.get(row.id) ?? [];
    return {
      removed: false,
      id: row.id,
      sectionId: row.section_id,
      groupName: row.group,
      at: row.at,
      startsOn: row.starts_on,
      endsOn: row.ends_on,
      chances: row.chances,
      rest: row.rest,
      restWeeks: row.rest_weeks,
      wanted: row.wanted,
      seed: row.seed,
      tickets: row.tickets,
      restingTickets: row.resting_tickets,
      entries: entries.map(({ student_id: studentId, rests, first_ticket: firstTicket, tickets }) => ({
        ...{ studentId, rests, firstTicket, tickets },
      })),
      winners: entries
        .flatMap(({ student_id: id, drawn }) => (drawn === null ? [] : [{ id, drawn }]))
        .sort((a, b) => a.drawn - b.drawn)
        .map(({ id }) => id),
    };
  });
}
