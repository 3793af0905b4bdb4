import { subDays, format, parseISO } from 'date-fns';
import { localMoment } from '@slate-path/core/calendar/zone';
import { afterStep } from '@slate-path/core/watch/signals/afterStep';
import { clearedSince } from '@slate-path/core/watch/signals/cleared';
import { statesOf, watchClass, watchedSeries } from '@slate-path/core/watch/signals/watchClass';
import type { SectionWatch } from '@slate-path/core/watch/signals/watchReading';
import { RecordReader } from '../database/readRecords';
import { readSection } from './readSection';

export interface WatchRequest {
  file: string;
  teacherId: string;
  sectionIds: string[];
  now: number;
}

/** A concern that ended so long ago is no news any more. */
const clearedForDays = 28;

function watchOf(records: RecordReader, { teacherId, now }: WatchRequest, sectionId: string): SectionWatch {
  const { series: seriesOn, settings, steps, zone, today } = readSection(records, teacherId, sectionId, now);
  const whole = seriesOn(today);
  if (!whole)
    return {
      sectionId,
      items: [],
      cleared: [],
      needs: { sectionId, lessonsHeld: 0, lessonsTaken: 0, lessonsObserved: 0, lessonsSwept: 0 },
      outcomes: {},
    };
  const series = watchedSeries(whole, settings.streams);
  const states = statesOf(series);
  const from = format(subDays(parseISO(today), clearedForDays), 'yyyy-MM-dd');
  return {
    sectionId,
    items: watchClass(series, settings, states),
    cleared: clearedSince(series, states, from),
    needs: {
      sectionId,
      lessonsHeld: whole.lessons.length,
      lessonsTaken: whole.streams.presence.length,
      lessonsObserved: whole.streams.voice.length,
      lessonsSwept: whole.streams.engagement.length,
    },
    outcomes: Object.fromEntries(
      steps.map((step) => [step.id, afterStep(whole, step, localMoment(Date.parse(step.at), zone).date)]),
    ),
  };
}

/** The watch list of some of a teacher's classes, read and computed in a worker. */
export function readWatch(request: WatchRequest): SectionWatch[] {
  const records = new RecordReader(request.file);
  try {
    return request.sectionIds.map((sectionId) => watchOf(records, request, sectionId));
  } finally {
    records.close();
  }
}
