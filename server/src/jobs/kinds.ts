import type { CalendarReading } from '@slate-path/core/calendar/icalendar';
import type { DateOrder } from '@slate-path/core/attendance/participants/moment';
import type { ParticipantReading } from '@slate-path/core/attendance/participants/readParticipants';
import type { MergedRow, People } from '@slate-path/core/people/roster/mergeRoster';
import type { Columns, ColumnRole } from '@slate-path/core/people/roster/columns';
import type { StudentTotals } from '@slate-path/core/attendance/roll/rollTable';
import type { RollRange } from '../attendance/roll/readRoll';
import type { RollFileRequest } from '../attendance/roll/rollFileRequest';
import type { CircleFileRequest } from '../observation/tallies/circleFile';
import type { CountRange, CountReading } from '../observation/tallies/readCounts';
import type { CountFileRequest } from '../observation/tallies/countFileRequest';
import type { SuggestedTopic } from '@slate-path/core/notes/suggestTopics';
import type { ArchiveRead, ArchiveReadRequest } from '../keeping/archive/readFile';
import type { ArchiveFileRequest } from '../keeping/archive/writeFile';
import type { GoingBack } from '@slate-path/core/keeping/archive/goingBack';
import type { BackupReadRequest } from '../keeping/backups/readBackup';
import type { Erasure, ErasureOrder, ErasureRequest } from '../keeping/erasure/erase';
import type { ErasedRecords } from '../keeping/erasure/records';
import type { ErasingStep } from '../keeping/erasure/state';
import type { NotesFileRequest } from '../notes/notesFile';
import type { Span } from '@slate-path/core/notes/searchTerms';
import type { Candidate } from '../notes/candidates';
import type { SuggestionRange } from '../notes/suggest';
import type { ClassGlance } from '@slate-path/core/watch/signals/glance';
import type { WatchPreview } from '@slate-path/core/watch/signals/preview';
import type { SectionWatch } from '@slate-path/core/watch/signals/watchReading';
import type { GlanceRequest, PreviewRequest } from '../watch/readGlance';
import type { WatchRequest } from '../watch/readWatch';
import type { PageReading, PageRequest } from '../sharing/readerPages/readFacts';
import type { OwnFacts } from '@slate-path/core/sharing/ownView/onPage';
import type { CardSheetsRequest } from '../sharing/ownView/cardSheets';
import type { OwnPageRequest } from '../sharing/ownView/readOwnFacts';
import type { PagePaperRequest, ReportsRequest } from '../sharing/papers/papers';
import type { WorkbookRequest } from '../sharing/workbook/workbookFile';
import type { ClipboardRequest } from '../ticks/clipboardPages';
import type { ReceiptsRequest } from '../ticks/receipts';
import type { TicksFileRequest } from '../ticks/ticksFile';
import type { WorkFileRequest } from '../work/workFile';
import type { FeedPageRead, FeedPageRequest } from '../work/feed/readFeedPage';
import type { ActivityRead, ActivityReadRequest, WorkRead, WorkReadRequest } from '../work/readFile';

/** What the worker can do, by name: the input it takes and the result it gives. */
export interface JobKinds {
  readRoster: {
    input: { bytes: Uint8Array; roles: ColumnRole[] | null; sectionId: string; people: People };
    /** `refused` is the sentence for a file that is no table. */
    result: { refused: string } | { columns: Columns; rows: MergedRow[] };
  };
  readParticipants: {
    input: { bytes: Uint8Array; lessonDate: string | null; order: DateOrder | null };
    result: { refused: string } | ParticipantReading;
  };
  readWork: { input: WorkReadRequest; result: { refused: string } | WorkRead };
  readActivity: { input: ActivityReadRequest; result: { refused: string } | ActivityRead };
  readFeedPage: { input: FeedPageRequest; result: { refused: string } | FeedPageRead };
  readDaysOff: { input: { bytes: Uint8Array }; result: { refused: string } | CalendarReading };
  watch: { input: WatchRequest; result: SectionWatch[] };
  glance: { input: GlanceRequest; result: ClassGlance };
  watchPreview: { input: PreviewRequest; result: WatchPreview };
  totals: { input: RollRange; result: StudentTotals[] };
  rollFile: { input: RollFileRequest; result: Uint8Array };
  counts: { input: CountRange; result: CountReading };
  circleFile: { input: CircleFileRequest; result: Uint8Array };
  archiveFile: { input: ArchiveFileRequest; result: Uint8Array };
  readArchive: { input: ArchiveReadRequest; result: { refused: string } | ArchiveRead };
  /** `refused` is the sentence for a backup that could not be written. */
  backUp: { input: { dataFolder: string; now: number }; result: { refused: string | null } };
  readBackup: { input: BackupReadRequest; result: { refused: string } | GoingBack };
  surveyErasure: { input: ErasureRequest; result: Erasure };
  eraseRecords: { input: ErasureOrder; result: ErasedRecords };
  eraseLog: { input: ErasingStep; result: { lines: number; done: boolean } };
  /** `false` where the journal could not be emptied yet. */
  erasePack: { input: ErasingStep; result: boolean };
  readCandidates: {
    input: { names: readonly string[]; candidates: readonly Candidate[] };
    result: { found: { noteId: string; spans: Span[] }[]; more: boolean };
  };
  suggestTopics: { input: SuggestionRange; result: SuggestedTopic[] };
  notesFile: { input: NotesFileRequest; result: Uint8Array };
  countsFile: { input: CountFileRequest; result: Uint8Array };
  ticksFile: { input: TicksFileRequest; result: Uint8Array };
  /** `null` where nothing was paid. */
  receipts: { input: ReceiptsRequest; result: Uint8Array | null };
  clipboardPages: { input: ClipboardRequest; result: { refused: string } | Uint8Array };
  workFile: { input: WorkFileRequest; result: Uint8Array };
  readerPage: { input: PageRequest; result: PageReading };
  ownPage: { input: OwnPageRequest; result: OwnFacts };
  cardSheets: { input: CardSheetsRequest; result: Uint8Array };
  workbook: { input: WorkbookRequest; result: Uint8Array };
  pagePaper: { input: PagePaperRequest; result: Uint8Array };
  reportsPaper: { input: ReportsRequest; result: Uint8Array };
}

const readingKinds = [
  'readRoster',
  'readParticipants',
  'readWork',
  'readActivity',
  'readFeedPage',
  'readDaysOff',
  'readArchive',
] as const;
/** What reads a file that somebody brought: not in the server's own process. */
export type ReadingKind = (typeof readingKinds)[number];

export const isReading = (kind: keyof JobKinds): kind is ReadingKind =>
  (readingKinds as readonly string[]).includes(kind);
