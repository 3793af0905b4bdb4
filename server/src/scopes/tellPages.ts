import type { Services } from '../services';

/**
 * Lets the watch lists and the open pages of some people hear of changes.
 * @param changes as they came; null where it may be about anything @param device that made them, and knows
 */
export function tellPages(
  { watch, events }: Pick<Services, 'watch' | 'events'>,
  people: Iterable<string>,
  changes: readonly unknown[] = [null],
  device = '',
): void {
  for (const personId of people) {
    watch.touch(personId, changes);
    events.tell(personId, device);
  }
}
