import { localMoment } from '@slate-path/core/calendar/zone';
import type { Step, WatchSetting } from '@slate-path/core/records/schema';
import { observeRows } from '@slate-path/core/watch/signals/observe';
import type { ClassSeries } from '@slate-path/core/watch/signals/streams';
import { usualSettings, type WatchSettings } from '@slate-path/core/watch/signals/watchClass';
import { defaultGraceMinutes } from '@slate-path/core/attendance/roll/rules';
import { notRemoved, type RecordReader } from '../database/readRecords';
import { readStreams } from './readStreams';

const ofSection = `${notRemoved} AND "sectionId" = ?`;

/** One class as it stood on an evening, and what its teacher set and did. */
export interface SectionReading {
  series: (asOf: string) => ClassSeries | null;
  settings: WatchSettings;
  steps: Step[];
  zone: string;
  today: string;
}

/** @param setting undefined: as usual */
export function settingsFrom(setting: WatchSetting | undefined): WatchSettings {
  if (!setting || setting.removed) return usualSettings;
  const { streams, shares, fewestTaken, inARow, missingOfFive } = setting;
  return { streams: new Set(streams), lines: { shares, fewestTaken, inARow, missingOfFive } };
}

/** Reads what the streams of a class are made of. @param now milliseconds since the epoch */
export function readSection(
  records: RecordReader,
  teacherId: string,
  sectionId: string,
  now: number,
): SectionReading {
  const [school] = records.seenBy(teacherId, 'school', notRemoved);
  const [section] = records.seenBy(teacherId, 'section', `${notRemoved} AND "id" = ?`, [sectionId]);
  const zone = school?.zone ?? 'UTC';
  const moment = localMoment(now, zone);
  const rows = readStreams(records, { teacherId, sectionId, zone, now: moment });
  const tallying = records.rows<{ id: string }>(
    `SELECT "tallying"."lessonId" AS id FROM "tallying" JOIN "lesson" ON "lesson"."id" = "tallying"."lessonId" WHERE "lesson"."sectionId" = ? AND NOT "tallying"."removed"`,
    [sectionId],
  );
  const observed = new Set(tallying.map(({ id }) => id));
  const grace = section?.graceMinutes ?? school?.graceMinutes ?? defaultGraceMinutes;
  const [setting] = records.seenBy(teacherId, 'watchSetting', ofSection, [sectionId]);
  return {
    series: (asOf) => observeRows(rows, { asOf, observed, graceOf: () => grace })[0] ?? null,
    settings: settingsFrom(setting),
    steps: records.seenBy(teacherId, 'step', ofSection, [sectionId]),
    zone,
    today: moment.date,
  };
}
