import { addDays, format, parseISO } from 'date-fns';
import { observedLessons } from '@slate-path/core/keeping/archive/observedLessons';
import type { Archive } from '@slate-path/core/keeping/archive/tables';
import { watchArchive } from '@slate-path/core/watch/signals/watchArchive';
import type { WatchItem } from '@slate-path/core/watch/signals/watchClass';
import { archiveOf } from './archive';
import { InputError, print } from './input';

export interface WatchCommand {
  archive: string;
  asOf?: string;
  section?: string;
  every?: number;
  from?: string;
  to?: string;
  json?: boolean;
}

/** One concern, in the names of the open format. */
function lineOf({ studentId, sectionId, concern, since, strength, sentence, evidence }: WatchItem) {
  return {
    student_id: studentId,
    section_id: sectionId,
    concern,
    since,
    strength,
    sentence,
    evidence: evidence.map(({ stream, kind, value, usual, n }) => ({ stream, kind, value, usual, n })),
  };
}

function* evenings({ asOf, every, from, to }: WatchCommand): Generator<string> {
  if (asOf !== undefined) yield asOf;
  if (every === undefined || from === undefined || to === undefined) return;
  for (let date = from; date <= to; date = format(addDays(parseISO(date), every), 'yyyy-MM-dd')) yield date;
}

/** A class alone: what is of other classes is not read. */
function onlySection(archive: Archive, id: string, file: string): Archive {
  const sections = archive.sections.filter((row) => row.id === id);
  if (sections.length === 0) throw new InputError(`${file}: there is no class ${id} in sections.csv.`);
  return { ...archive, sections };
}

/** `slate watch`: the list as it would have stood on an evening, or on every so many days. */
export function watch(command: WatchCommand): void {
  const whole = archiveOf(command.archive);
  const archive =
    command.section === undefined ? whole : onlySection(whole, command.section, command.archive);
  const observed = observedLessons(archive);
  for (const asOf of evenings(command)) {
    const items = watchArchive(archive, { asOf, observed });
    const lines = items.map((item) =>
      command.asOf === undefined ? { as_of: asOf, ...lineOf(item) } : lineOf(item),
    );
    if (command.json) print(lines, true);
    else
      print(
        lines.map(({ evidence, ...line }) => ({ ...line, evidence: evidence.length })),
        false,
      );
  }
}
