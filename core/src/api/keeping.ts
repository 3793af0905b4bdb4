import { z } from 'zod';
import { Id } from '../records/schema';
import { largestArchiveBytes } from '../keeping/archive/readArchive';
import { Bytes, type Endpoint } from './endpoint';

const Backups = z.object({
  backups: z.array(z.object({ name: z.string(), madeAt: z.string(), bytes: z.int() })),
});
const ByName = z.object({ name: z.string() });

export const keepingEndpoints = {
  archive: {
    summary:
      'Everything the teacher has, or one class to be handed over without what is their own, as a Tabular Data Package in a zip.',
    query: z.object({ sectionId: Id.optional() }),
    answer: Bytes,
    answersWith: ['application/zip'],
  },
  readArchive: {
    summary: 'What an archive holds, and what is wrong with it. Nothing is brought in.',
    fileUpTo: largestArchiveBytes,
    answer: z.object({
      counts: z.array(z.object({ file: z.string(), rows: z.number() })),
      errors: z.array(z.string()),
      notes: z.array(z.string()),
      /** How many students in it were erased here: to bring it in, one has to say what becomes of them. */
      erased: z.int(),
    }),
  },
  bringArchive: {
    summary:
      'Brings an archive in. With anything wrong in it, nothing; what is there already stays as it is.',
    query: z.object({ erased: z.enum(['leaveOut', 'bringBack']).optional() }),
    fileUpTo: largestArchiveBytes,
    /** By the changes, in this order, all of it is taken back. */
    answer: z.object({ records: z.number(), changeIds: z.array(z.string()) }),
  },
  archiveProgress: {
    summary: 'The share of an archive that has been brought in so far; null where none is on its way.',
    answer: z.object({ share: z.number().nullable() }),
  },
  backups: {
    summary: 'The backups of the whole database that lie on the server, the latest first.',
    answer: Backups,
  },
  makeBackup: {
    summary:
      'Makes a backup of the whole database on the server, as it stands, while others may go on writing.',
    answer: Backups,
  },
  previewReturn: {
    summary: 'What going back to a backup would mean for the teacher’s own records. Nothing is changed.',
    params: ByName,
    answer: z.object({ asThen: z.int(), backAgain: z.int(), gone: z.int() }),
  },
  returnToBackup: {
    summary:
      'Makes the teacher’s own records what they were when a backup was made, after a backup of what they are now. Nobody else’s change.',
    params: ByName,
    answer: Backups,
  },
} satisfies Record<string, Endpoint>;
