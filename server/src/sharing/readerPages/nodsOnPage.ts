import type { OthersHidden } from '@slate-path/core/sharing/readerPage/othersHidden';
import type { PageSettings } from '@slate-path/core/sharing/readerPage/settings';
import type { RecordReader } from '../../database/readRecords';

interface Asked {
  reader: RecordReader;
  madeBy: string;
  settings: Pick<PageSettings, 'from'>;
  /** The last day that is told of. */
  to: string;
  hidden: OthersHidden;
}

/** The nods that the maker of a page gave a student, the latest first: for what, where, and a few words. */
export function nodsOnPage(
  { reader, madeBy, settings, to, hidden }: Asked,
  studentId: string,
): { date: string; text: string }[] {
  const range = '"studentId" = ? AND "at" BETWEEN ? AND ? AND NOT "removed" ORDER BY "at" DESC';
  return reader
    .seenBy(madeBy, 'nod', range, [studentId, settings.from, `${to}U`])
    .map(({ at, reason, place, comment }) => {
      const forWhat = [reason, place].filter(Boolean).join(', ');
      return { date: at.slice(0, 10), text: hidden.textOf([forWhat, comment].filter(Boolean).join(': ')) };
    });
}
