import { z } from 'zod';
import { StepOutcome } from './stepOutcome';
import { ClearedItem } from './cleared';
import { WatchItem } from './watchClass';

/** What the list of a class still lacks: how much was seen of it so far. */
export const ClassNeeds = z.object({
  sectionId: z.string(),
  lessonsHeld: z.number(),
  lessonsTaken: z.number(),
  lessonsObserved: z.number(),
  lessonsSwept: z.number(),
});

/** A class's part of the watch list. */
export const SectionWatch = z.object({
  sectionId: z.string(),
  items: z.array(WatchItem),
  cleared: z.array(ClearedItem),
  needs: ClassNeeds,
  /** What became of each step, by its id. */
  outcomes: z.record(z.string(), z.array(StepOutcome)),
});
export type SectionWatch = z.infer<typeof SectionWatch>;
