import { follow, freshStanding, type Standing } from './cusum';
import { CountModel } from './models/countModel';
import { HandInModel } from './models/handInModel';
import { LocationModel } from './models/locationModel';
import type { Model } from './models/model';
import { PresenceModel } from './models/presenceModel';
import { ShareModel } from './models/shareModel';
import { streamNames, type ClassSeries, type Slot, type StreamName } from './streams';

/** The model of each stream, and the smallest change in it that is worth acting on. */
export const modelOf: Record<StreamName, (students: number) => Model> = {
  presence: (students) => new PresenceModel(students),
  lateness: (students) => new ShareModel(students, { guess: 0.06, rise: 0.25 }),
  voice: (students) => new CountModel(students, { guess: 0.8, factor: 0.35, overdispersion: 0.1 }),
  trouble: (students) => new CountModel(students, { guess: 0.15, factor: 3, overdispersion: 0.3 }),
  engagement: (students) =>
    new LocationModel(students, { guess: 2, scatter: 0.6, leastScatter: 0.35, fall: 0.9, levels: [0, 3] }),
  weather: (students) =>
    new LocationModel(students, { guess: 3.5, scatter: 0.8, leastScatter: 0.4, fall: 1, levels: [1, 5] }),
  online: (students) => new CountModel(students, { guess: 4, factor: 0.42, overdispersion: 0.5 }),
  hand_in: (students) => new HandInModel(students),
  score: (students) =>
    new LocationModel(students, { guess: 0, scatter: 9, leastScatter: 3, fall: 10, levels: null }),
  stuck: (students) => new CountModel(students, { guess: 0.05, factor: 4, overdispersion: 0.3 }),
};

/** Where every student of a class stands in a stream. */
export interface StreamState {
  model: Model;
  standings: Standing[];
  /** Times at which the stream was seen. */
  slots: number;
}
export type StreamStates = Record<StreamName, StreamState>;

/** From how much evidence on a change is believed; of a stream, for a student of such a usual. */
export type LimitOf = (stream: StreamName, seenPerLesson: number) => (rarity: number) => number;

export interface Watching {
  limitOf: LimitOf;
  /** Is called when all of a day has been heard, with the states as they are then. */
  evening?: (date: string, states: StreamStates, lessons: number) => void;
  /** Is called after each observation. */
  heard?: (stream: StreamName, i: number, standing: Standing, model: Model) => void;
}

interface Timed {
  stream: StreamName;
  slot: Slot;
}

function inOrderOfTime(series: ClassSeries): Timed[] {
  const all = streamNames.flatMap((stream) => series.streams[stream].map((slot) => ({ stream, slot })));
  // The sort is stable, so that what is of one day keeps its order in its stream.
  return all.sort((a, b) => (a.slot.date < b.slot.date ? -1 : a.slot.date > b.slot.date ? 1 : 0));
}

/**
 * Follows all streams of a class through time, each student in each of them.
 * @returns where everyone stands in the end
 */
export function followStreams(series: ClassSeries, { limitOf, evening, heard }: Watching): StreamStates {
  const students = series.students.length;
  const states = Object.fromEntries(
    streamNames.map((name) => [
      name,
      {
        model: modelOf[name](students),
        standings: Array.from({ length: students }, freshStanding),
        slots: 0,
      },
    ]),
  ) as unknown as StreamStates;
  const dateOf = (lesson: number) => series.lessons[lesson]?.date;
  const timed = inOrderOfTime(series);
  timed.forEach(({ stream, slot }, at) => {
    const state = states[stream];
    const { model, standings } = state;
    state.slots += 1;
    model.begin(slot);
    const limit = limitOf(stream, state.slots / (slot.lesson + 1));
    for (let i = 0; i < students; i += 1) {
      const standing = standings[i];
      if (!standing || Number.isNaN(slot.value[i])) continue;
      follow(standing, model, i, slot, limit(model.rarity(i)), dateOf);
      heard?.(stream, i, standing, model);
    }
    if (evening && timed[at + 1]?.slot.date !== slot.date) evening(slot.date, states, slot.lesson + 1);
  });
  return states;
}
