import { ulid } from 'ulid';
import { mostWrittenBack } from '@slate-path/core/sharing/readerPage/limits';
import type { Heard } from '@slate-path/core/sharing/readerPage/render/page';
import { applyChanges } from '../changes/applyChange';
import type { Sql } from '../database/sql';
import { tellPages } from '../scopes/tellPages';
import type { Services } from '../services';
import { hashOf } from './linkToken';

/** So often somebody may write by one link in a day. */
const mostReplies = 10;

/** A link by which somebody may write, with what they wrote last. */
export interface WritingLink {
  table: 'readerPage' | 'studentCard';
  id: string;
}

interface LastReply {
  repliedOn: string | null;
  replies: number;
  lastReply: string | null;
}

/** @returns whether some words are to be taken: not the same twice in a row, and not too many in a day */
function takeReply(
  sql: Sql,
  { table, id }: WritingLink,
  words: string,
  day: string,
): 'taken' | 'again' | 'enough' {
  const last = sql.get<LastReply>(
    `SELECT "repliedOn", "replies", "lastReply" FROM "${table}" WHERE "id" = ?`,
    id,
  );
  const hash = hashOf(words);
  if (last?.repliedOn === day && last.lastReply === hash) return 'again';
  const before = last?.repliedOn === day ? last.replies : 0;
  if (before >= mostReplies) return 'enough';
  sql.run(
    `UPDATE "${table}" SET "repliedOn" = ?, "replies" = ?, "lastReply" = ? WHERE "id" = ?`,
    ...[day, before + 1, hash, id],
  );
  return 'taken';
}

/** Where words go: into a note of a teacher's own. */
export interface Hearer {
  teacherId: string;
  studentIds: readonly string[];
  sectionId: string | null;
  /** Who says it, before their words. */
  saying: string;
}

async function keep(services: Services, hearer: Hearer, words: string): Promise<void> {
  const now = services.clock();
  const at = new Date(now).toISOString();
  const { teacherId, sectionId, saying } = hearer;
  const students = hearer.studentIds.map((studentId) => ({ studentId, spans: [] }));
  const payload = {
    ...{ id: ulid(now), at, happenedAt: null, lesson: null, sectionId, place: '', own: true },
    text: `${saying}\n\n${words}`,
    ...{ doubts: [], students, topics: [], lookAgainOn: null },
  };
  const change = { id: ulid(now), kind: 'note.write', madeAt: at, device: 'reader', payload };
  const heard = new Set<string>();
  await applyChanges(services.database, [change], () => ({ teacherId, receivedAt: at, heard }));
  tellPages(services, [teacherId, ...heard], [change], 'reader');
}

/** Takes what somebody wrote by a link, as a note of the teacher's own. @returns what they are told of it */
export async function takeWords(
  services: Services,
  link: WritingLink,
  hearer: Hearer,
  written: string,
): Promise<Heard[]> {
  const all = Array.from(written.replace(/\r\n/g, '\n').trim());
  if (all.length === 0) return ['nothingWritten'];
  const words = all.slice(0, mostWrittenBack).join('');
  const day = new Date(services.clock()).toISOString().slice(0, 10);
  const taken = await services.database.write((sql) => takeReply(sql, link, words, day));
  if (taken === 'enough') return ['enough'];
  if (taken === 'taken') await keep(services, hearer, words);
  return all.length > mostWrittenBack ? ['thanks', 'shortened'] : ['thanks'];
}
