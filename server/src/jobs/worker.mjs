// Worker threads do not inherit the TypeScript loader of the main thread, so each brings its own.
import { register } from 'tsx/esm/api';

register();
export const {
  watch,
  glance,
  watchPreview,
  totals,
  rollFile,
  counts,
  countsFile,
  circleFile,
  readCandidates,
  suggestTopics,
  notesFile,
  surveyErasure,
  eraseRecords,
  eraseLog,
  erasePack,
  backUp,
  readBackup,
  archiveFile,
} = await import('./worker.ts');
