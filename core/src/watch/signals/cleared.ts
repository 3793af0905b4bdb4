import { z } from 'zod';
import type { StreamStates } from './followStreams';
import { concerns, streamNames, streamsOf, type ClassSeries } from './streams';
import { day, streamWords } from './words';

/** A concern that is over: what changed back, and when. */
export const ClearedItem = z.object({
  studentId: z.string(),
  sectionId: z.string(),
  concern: z.enum(concerns),
  stream: z.enum(streamNames),
  since: z.iso.date(),
  endedOn: z.iso.date(),
  sentence: z.string(),
});
export type ClearedItem = z.infer<typeof ClearedItem>;

/** Changes of a class that ended on a day or later, the last first: worth a word of praise. */
export function clearedSince(series: ClassSeries, states: StreamStates, from: string): ClearedItem[] {
  const items: ClearedItem[] = [];
  for (const concern of concerns)
    for (const stream of streamsOf[concern])
      states[stream].standings.forEach(({ ended, change }, i) => {
        const student = series.students[i];
        if (!ended || change || !student?.active || ended.endedOn < from) return;
        if (items.some((item) => item.studentId === student.id && item.stream === stream)) return;
        items.push({
          studentId: student.id,
          sectionId: series.sectionId,
          concern,
          stream,
          since: ended.since,
          endedOn: ended.endedOn,
          sentence: `As usual again since ${day(ended.endedOn)} in ${streamWords[stream]}, after a change that began on ${day(ended.since)}.`,
        });
      });
  return items.sort((a, b) => (a.endedOn < b.endedOn ? 1 : -1));
}
