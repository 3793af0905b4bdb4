/** What is wrong with an archive, with the file and the line where it stands. */
export interface ArchiveError {
  file: string;
  /** 1 is the header; null where it is about the whole file. */
  line: number | null;
  reason: string;
}
