import { readTable, TableError } from '@slate-path/core/formats/table';
import type { Mention } from '@slate-path/core/notes/findStudents';
import { nameIndex, type Named } from '@slate-path/core/notes/names';
import { readNote as read } from '@slate-path/core/notes/readNote';
import { anyDays } from '@slate-path/core/notes/schoolDays';
import { topicIndex, type TopicNames } from '@slate-path/core/notes/findTopics';
import { InputError, print, readInput } from './input';

export interface ReadNoteCommand {
  roster: string;
  topics?: string;
  at: string;
  text: string;
  json?: boolean;
}

/** A table's rows by the names of its columns. @throws InputError with the file, and the line where one is at fault */
async function rowsOf(file: string, columns: readonly string[]): Promise<Record<string, string>[]> {
  const [header, ...lines] = await tableOf(file);
  const names = header?.cells.map((cell) => cell.trim()) ?? [];
  for (const column of columns)
    if (!names.includes(column)) throw new InputError(`${file}:1: there is no column ${column}.`);
  const filled = lines.filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  return filled.map(({ line, cells }) => {
    const row = Object.fromEntries(names.map((name, at) => [name, (cells[at] ?? '').trim()]));
    if (!row['id']) throw new InputError(`${file}:${line}: this row has no id.`);
    return row;
  });
}

async function tableOf(file: string) {
  try {
    return await readTable(readInput(file));
  } catch (error) {
    if (error instanceof TableError) throw new InputError(`${file}: ${error.message}`);
    throw error;
  }
}

const studentOf = (row: Record<string, string>): Named => ({
  id: row['id'] ?? '',
  givenName: row['given_name'] ?? '',
  familyName: row['family_name'] ?? '',
  called: row['called'] ?? '',
});

const topicOf = (row: Record<string, string>): TopicNames => ({
  id: row['id'] ?? '',
  names: [row['name'] ?? ''],
});

interface MentionLine {
  id: string | null;
  span: [from: number, to: number];
  sure: boolean;
  candidates: string[];
}

function mentionLines({ from, to, studentIds, candidates }: Mention): MentionLine[] {
  const span: [number, number] = [from, to];
  if (studentIds.length === 0) return [{ id: null, span, sure: false, candidates }];
  return studentIds.map((id) => ({ id, span, sure: true, candidates: [] }));
}

/** `slate read-note`: what a note is understood to say. The day is that of `--at` as it is written. */
export async function readNote({ roster, topics, at, text, json }: ReadNoteCommand): Promise<void> {
  const students = (await rowsOf(roster, ['id', 'given_name', 'family_name'])).map(studentOf);
  const known = topics === undefined ? [] : (await rowsOf(topics, ['id', 'name'])).map(topicOf);
  const reading = read(text, {
    today: at.slice(0, 10),
    days: anyDays,
    roster: { index: nameIndex(students), inHand: new Set() },
    topics: topicIndex(known),
  });
  const line = {
    students: reading.students.flatMap(mentionLines),
    topics: [...new Set(reading.topics.map(({ topicId }) => topicId))],
    follow_up: reading.lookAgainOn,
  };
  print([line], json);
}
