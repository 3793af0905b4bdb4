import { archiveToRead } from '@slate-path/core/archive/fromRecords';
import { localMoment } from '@slate-path/core/calendar/zone';
import type { RecordLists } from '@slate-path/core/records/records';
import type { RecordOf, Step, TableName, WatchSetting } from '@slate-path/core/records/schema';
import { observe } from '@slate-path/core/signals/observe';
import type { ClassSeries } from '@slate-path/core/signals/streams';
import { usualSettings, type WatchSettings } from '@slate-path/core/signals/watchClass';
import { defaultGraceMinutes } from '@slate-path/core/roll/presence';
import { RecordReader } from '../database/readRecords';

const own = '"teacherId" = ? AND NOT "removed"';
const ofLessons = `${own} AND "lessonId" IN (SELECT "id" FROM "lesson" WHERE "sectionId" = ?)`;
const ofSection = `${own} AND "sectionId" = ?`;

/** Which of a class's records the streams are made of, by table, and how they are found. */
const wanted: Partial<Record<TableName, { where: string; of: 'teacher' | 'section' }>> = {
  school: { where: own, of: 'teacher' },
  term: { where: own, of: 'teacher' },
  dayOff: { where: own, of: 'teacher' },
  standing: { where: '"teacherId" = ?', of: 'teacher' },
  lookFor: { where: '"teacherId" = ?', of: 'teacher' },
  topic: { where: own, of: 'teacher' },
  section: { where: `${own} AND "id" = ?`, of: 'section' },
  meeting: { where: ofSection, of: 'section' },
  student: {
    where: `${own} AND "id" IN (SELECT "studentId" FROM "enrolment" WHERE "sectionId" = ?)`,
    of: 'section',
  },
  enrolment: { where: ofSection, of: 'section' },
  lesson: { where: '"teacherId" = ? AND "sectionId" = ?', of: 'section' },
  mark: { where: ofLessons, of: 'section' },
  checkIn: { where: ofLessons, of: 'section' },
  tallying: { where: ofLessons, of: 'section' },
  tally: { where: ofLessons, of: 'section' },
  sweep: { where: ofLessons, of: 'section' },
  note: { where: `${own} AND ("lessonId" IS NULL OR "sectionId" = ?)`, of: 'section' },
  noteStudent: {
    where: `${own} AND "noteId" IN (SELECT "id" FROM "note" WHERE "lessonId" IS NULL OR "sectionId" = ?)`,
    of: 'section',
  },
  noteTopic: {
    where: `${own} AND "noteId" IN (SELECT "id" FROM "note" WHERE "lessonId" IS NULL OR "sectionId" = ?)`,
    of: 'section',
  },
  work: { where: ofSection, of: 'section' },
  handIn: { where: `${own} AND "workId" IN (SELECT "id" FROM "work" WHERE "sectionId" = ?)`, of: 'section' },
  activity: { where: `${own} AND ("sectionId" IS NULL OR "sectionId" = ?)`, of: 'section' },
};

/** One class as it stood on an evening, and what its teacher set and did. */
export interface SectionReading {
  series: (asOf: string) => ClassSeries | null;
  settings: WatchSettings;
  steps: Step[];
  zone: string;
  today: string;
}

/** @param settings null: as usual */
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
  const lists: RecordLists = {};
  for (const [table, query] of Object.entries(wanted)) {
    const values = query.of === 'teacher' ? [teacherId] : [teacherId, sectionId];
    (lists as Record<string, RecordOf<TableName>[]>)[table] = records.all(
      table as TableName,
      query.where,
      values,
    );
  }
  const school = lists.school?.[0];
  const section = lists.section?.[0];
  const zone = school?.zone ?? 'UTC';
  const moment = localMoment(now, zone);
  const archive = archiveToRead(lists, { zone, now: moment });
  const observed = new Set((lists.tallying ?? []).map(({ lessonId }) => lessonId));
  const grace = section?.graceMinutes ?? school?.graceMinutes ?? defaultGraceMinutes;
  const [setting] = records.all('watchSetting', ofSection, [teacherId, sectionId]);
  return {
    series: (asOf) => observe(archive, { asOf, observed, graceOf: () => grace })[0] ?? null,
    settings: settingsFrom(setting),
    steps: records.all('step', ofSection, [teacherId, sectionId]),
    zone,
    today: moment.date,
  };
}
