import type { StreamName } from '@slate-path/core/watch/signals/names';

/** What stands at the side of each stream's chart, and how far it goes at least. */
export const axes: Record<
  StreamName,
  { name: string; from: number; to: number | null; yesNo?: [string, string] }
> = {
  presence: { name: 'Lesson', from: 0, to: 1, yesNo: ['there', 'missed'] },
  lateness: { name: 'Lesson', from: 0, to: 1, yesNo: ['in time', 'late'] },
  voice: { name: 'Wanted tallies a lesson', from: 0, to: null },
  trouble: { name: 'Unwanted tallies a lesson', from: 0, to: null },
  engagement: { name: 'Engagement, 0 to 3', from: 0, to: 3 },
  weather: { name: 'Inner weather, 1 to 5', from: 1, to: 5 },
  online: { name: 'Actions online a day', from: 0, to: null },
  hand_in: { name: 'Work', from: 0, to: 2, yesNo: ['in time', 'missing'] },
  score: { name: 'Points from the class’s middle', from: -10, to: null },
  stuck: { name: 'Notes of trouble a day', from: 0, to: null },
};
