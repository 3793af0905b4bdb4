import { TableError } from '@slate-path/core/formats/table';
import type { JobKinds, ReadingKind } from './kinds';

type Job<K extends ReadingKind> = (input: JobKinds[K]['input']) => Promise<JobKinds[K]['result']>;

/** What a file gives, or the sentence that says why it is no table. */
async function orRefused<T>(read: () => Promise<T>): Promise<T | { refused: string }> {
  try {
    return await read();
  } catch (error) {
    if (error instanceof TableError) return { refused: error.message };
    throw error;
  }
}

/** The jobs that read what somebody brought. Every one loads what it needs when it is first asked for. */
export const reading: { [K in ReadingKind]: Job<K> } = {
  readRoster: ({ bytes, roles, sectionId, people }) =>
    orRefused(async () => {
      const { mergeRoster } = await import('@slate-path/core/people/roster/mergeRoster');
      const { readRosterFile } = await import('@slate-path/core/people/roster/oneRoster');
      const { readRoster: readRows } = await import('@slate-path/core/people/roster/readRoster');
      const { columns, rows } = readRows(await readRosterFile(bytes), roles ?? undefined);
      return { columns, rows: mergeRoster(rows, sectionId, people) };
    }),

  readParticipants: ({ bytes, lessonDate, order }) =>
    orRefused(async () => {
      const { readParticipantFile } =
        await import('@slate-path/core/attendance/participants/readParticipantFile');
      const { readParticipants: readList } =
        await import('@slate-path/core/attendance/participants/readParticipants');
      return readList(await readParticipantFile(bytes), lessonDate, order ?? undefined);
    }),

  readWork: (request) => orRefused(async () => (await import('../work/readFile')).readWorkFor(request)),

  readActivity: (request) =>
    orRefused(async () => (await import('../work/readFile')).readActivityFor(request)),

  readFeedPage: async (request) => (await import('../work/feed/readFeedPage')).readFeedPage(request),

  readDaysOff: async ({ bytes }) => {
    const { CalendarError, readDaysOff } = await import('@slate-path/core/calendar/icalendar');
    const { decodeText } = await import('@slate-path/core/formats/decodeText');
    try {
      return readDaysOff(decodeText(bytes));
    } catch (error) {
      if (error instanceof CalendarError) return { refused: error.message };
      throw error;
    }
  },

  readArchive: async (request) => (await import('../keeping/archive/readFile')).readArchiveFile(request),
};
