import { topicIndex } from '@slate-path/core/notes/findTopics';
import { nameIndex, type Named } from '@slate-path/core/notes/names';
import { readNote } from '@slate-path/core/notes/readNote';
import { anyDays } from '@slate-path/core/notes/schoolDays';

export interface ReadingBench {
  people: Named[];
  inHand: string[];
  topics: string[];
  texts: string[];
}

/** Each text is typed letter by letter and read at every one. @returns ms of each reading */
function readWhileTyped({ people, inHand, topics, texts }: ReadingBench): number[] {
  const context = {
    today: '2026-11-25',
    days: anyDays,
    roster: { index: nameIndex(people), inHand: new Set(inHand) },
    topics: topicIndex(topics.map((name) => ({ id: name, names: [name] }))),
  };
  // A page that has just been opened has read nothing yet; the first readings are among those measured.
  return texts.flatMap((text) =>
    Array.from({ length: text.length }, (_, at) => {
      const begun = performance.now();
      readNote(text.slice(0, at + 1), context);
      return performance.now() - begun;
    }),
  );
}

Object.assign(globalThis, { readWhileTyped });
