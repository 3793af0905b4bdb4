import type { Announcements } from '@dnd-kit/core';

/** What is said of a drag to those who listen. */
export const spoken: Announcements = {
  onDragStart: () => 'Taken hold of.',
  onDragOver: () => undefined,
  onDragEnd: () => 'Let go.',
  onDragCancel: () => 'Left where it was.',
};
