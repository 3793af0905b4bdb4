import { glanceOf, type ClassGlance } from '@slate-path/core/watch/signals/glance';
import { watchClass } from '@slate-path/core/watch/signals/watchClass';
import { eveningsBefore } from '@slate-path/core/watch/signals/evenings';
import type { WatchPreview } from '@slate-path/core/watch/signals/preview';
import type { WatchSetting } from '@slate-path/core/records/schema';
import { RecordReader } from '../database/readRecords';
import { readSection, settingsFrom } from './readSection';

export interface GlanceRequest {
  file: string;
  teacherId: string;
  sectionId: string;
  now: number;
}

/** A class at a glance: everybody's small path, and the patterns that stand out. */
export function readGlance({ file, teacherId, sectionId, now }: GlanceRequest): ClassGlance {
  const records = new RecordReader(file);
  try {
    const { series, settings, today } = readSection(records, teacherId, sectionId, now);
    const seen = series(today);
    return seen ? glanceOf(seen, settings, today) : { students: [], patterns: [], lessons: [] };
  } finally {
    records.close();
  }
}

export interface PreviewRequest extends GlanceRequest {
  setting: Omit<WatchSetting, 'id' | 'removed'>;
}

/** Whom a setting would have listed in the last four weeks, evening by evening, each from what was known then. */
export function readPreview({ file, teacherId, sectionId, now, setting }: PreviewRequest): WatchPreview {
  const records = new RecordReader(file);
  try {
    const { series, today } = readSection(records, teacherId, sectionId, now);
    const settings = settingsFrom({ id: sectionId, removed: false, ...setting });
    const entries: WatchPreview['entries'] = [];
    for (const evening of eveningsBefore(today)) {
      const seen = series(evening);
      if (!seen) continue;
      for (const { studentId, concern, sentence } of watchClass(seen, settings)) {
        const known = entries.find((entry) => entry.studentId === studentId && entry.concern === concern);
        if (known) known.lastOn = evening;
        else entries.push({ studentId, concern, firstOn: evening, lastOn: evening, sentence });
      }
    }
    return { entries };
  } finally {
    records.close();
  }
}
