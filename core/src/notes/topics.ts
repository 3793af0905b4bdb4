import type { Topic } from '../records/schema';
import type { TopicNames } from './findTopics';

type Known = Pick<Topic, 'id' | 'name' | 'alsoCalled' | 'mergedIntoId' | 'removed'>;

/** The topic that one counts as since they were merged; itself where it was not. */
export function topicNow<T extends Pick<Topic, 'id' | 'mergedIntoId'>>(
  topics: Readonly<Record<string, T>>,
  id: string,
): T | undefined {
  let topic = topics[id];
  // Merged round in a circle by two devices, it stays where it is.
  for (let steps = 0; topic?.mergedIntoId && steps < 20; steps += 1)
    topic = topics[topic.mergedIntoId] ?? topic;
  return topic;
}

/** A topic and all that were merged into it. */
export function withMerged(topics: Readonly<Record<string, Known>>, id: string): string[] {
  const merged = Object.keys(topics).filter((other) => other !== id && topicNow(topics, other)?.id === id);
  return [id, ...merged];
}

/** Topics that stand for themselves, by name. */
export function standingTopics<T extends Known>(topics: Readonly<Record<string, T>>): T[] {
  return Object.values(topics)
    .filter(({ removed, mergedIntoId }) => !removed && mergedIntoId === null)
    .toSorted((a, b) => a.name.localeCompare(b.name));
}

/** What notes are read for: a topic's name and what it is called besides. */
export function topicNames(topics: Readonly<Record<string, Known>>): TopicNames[] {
  return standingTopics(topics).map(({ id, name, alsoCalled }) => ({ id, names: [name, ...alsoCalled] }));
}
