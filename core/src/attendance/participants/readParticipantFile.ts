import { decodeText } from '../../formats/decodeText';
import { readTable, type TableRow } from '../../formats/table';
import { readNameList } from '../../people/roster/nameList';

/**
 * The rows of a participant list: a table, a workbook, or pasted lines that a table would cut at the wrong places.
 * @throws TableError as `readTable`
 */
export async function readParticipantFile(bytes: Uint8Array): Promise<TableRow[]> {
  const table = await readTable(bytes);
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b;
  return (isZip ? null : readNameList(decodeText(bytes))) ?? table;
}
