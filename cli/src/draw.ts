import { toRecords } from '@slate-path/core/keeping/archive/toRecords';
import { drawnOf, winnersOf, type Drawn } from '@slate-path/core/nods/draws/drawn';
import { makeDraw, type DrawOptions } from '@slate-path/core/nods/draws/make';
import { nodsInPool } from '@slate-path/core/nods/draws/pool';
import type { RecordLists } from '@slate-path/core/records/records';
import type { Draw } from '@slate-path/core/records/schema';
import { archiveReading } from './archive';
import { InputError, print } from './input';

export interface DrawCommand {
  archive: string;
  seed: number;
  draw?: string;
  section?: string;
  group?: string;
  from?: string;
  to?: string;
  at?: string;
  chances: Draw['chances'];
  rest: Pick<Draw, 'rest' | 'restWeeks'>;
  winners: number;
  list?: boolean;
  json?: boolean;
}

/** All records of an archive. */
function recordsOf(file: string): RecordLists {
  const { archive, timezone } = archiveReading(file);
  return toRecords(archive, timezone ?? 'UTC').records;
}

/** Only this group, by its name; null: everybody. */
function groupIds({ studentGroup = [] }: RecordLists, command: DrawCommand): readonly string[] | null {
  if (command.group === undefined || command.group === '') return null;
  const found = studentGroup.find(
    ({ sectionId, name, removed }) => !removed && sectionId === command.section && name === command.group,
  );
  if (!found) throw new InputError(`${command.archive}: the class has no group “${command.group}”.`);
  return found.studentIds;
}

function byOptions(
  { section = [], enrolment = [], studentGroup, nod = [], draw: draws = [] }: RecordLists,
  command: DrawCommand,
): Omit<Draw, 'id' | 'removed'> {
  const { section: sectionId = null, from: startsOn = '', to: endsOn = '', chances, rest, winners } = command;
  if (sectionId !== null && !section.some(({ id }) => id === sectionId))
    throw new InputError(`${command.archive}: there is no class ${sectionId} in sections.csv.`);
  const options: DrawOptions = {
    ...{ sectionId, startsOn, endsOn, chances, ...rest, wanted: winners, seed: command.seed },
    groupName: command.group ?? '',
    at: command.at ?? `${endsOn}T23:59:59`,
  };
  const pool = { ...options, groupIds: groupIds({ studentGroup }, command) };
  const earlier = draws.filter((one) => one.sectionId === sectionId && one.at < options.at);
  return makeDraw(options, nodsInPool(pool, nod, enrolment), earlier);
}

const lineOf = ({ studentId, n, ticket }: Drawn, index: number) => ({
  ...{ drawn: index + 1, student_id: studentId, number: n, ticket },
});

const entryOf = ({ studentId, rests, firstTicket, tickets }: Draw['entries'][number]) => ({
  ...{ student_id: studentId, rests, first_ticket: firstTicket, tickets },
});

/** `slate draw`: a draw again, from its kept list or from the nods that an archive has. */
export function draw(command: DrawCommand): void {
  const records = recordsOf(command.archive);
  const kept = records.draw?.find(({ id }) => id === command.draw);
  if (command.draw !== undefined && !kept)
    throw new InputError(`${command.archive}: there is no draw ${command.draw} in draws.csv.`);
  const made = kept ? { ...kept, seed: command.seed } : byOptions(records, command);
  const drawn = drawnOf(made);
  if (command.list) print(made.entries.map(entryOf), command.json);
  if (drawn.length === 0)
    throw new InputError('Nobody can be drawn: nobody has a nod, or all who have one rest.');
  print(drawn.map(lineOf), command.json);
  if (kept?.seed === command.seed && winnersOf(drawn).join() !== kept.winners.join())
    throw new InputError(
      `${command.archive}: draw ${kept.id} says that others were drawn: ${kept.winners.join(', ')}.`,
    );
}
