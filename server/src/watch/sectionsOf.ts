import { LessonKey } from '@slate-path/core/roll/changes';

/** Kinds of change that say nothing about any student's streams. */
const silent = new Set([
  'step.take',
  'step.set',
  'step.remove',
  'concern.quiet',
  'concern.show',
  'pathSummary.keep',
  'message.send',
]);

function collect(value: unknown, found: Set<string>): void {
  if (Array.isArray(value)) for (const item of value) collect(item, found);
  else if (value !== null && typeof value === 'object')
    for (const [key, item] of Object.entries(value)) {
      if (key === 'sectionId' && typeof item === 'string') found.add(item);
      else collect(item, found);
    }
}

/**
 * The classes whose streams a change may touch, by what it names.
 * @returns null where it names none, so that any may be meant
 */
export function sectionsOf(change: unknown): ReadonlySet<string> | null {
  const { kind, payload } = (change ?? {}) as { kind?: unknown; payload?: unknown };
  const found = new Set<string>();
  collect(payload, found);
  if (typeof kind === 'string' && silent.has(kind))
    return kind.startsWith('step.') ? (found.size > 0 ? found : null) : new Set();
  // Only what is said of a lesson stays in its class; a student or a standing is of several.
  const { lesson } = (payload ?? {}) as { lesson?: unknown };
  const ofLesson = LessonKey.safeParse(lesson);
  if (ofLesson.success) return new Set([ofLesson.data.sectionId]);
  return typeof kind === 'string' && kind.startsWith('watchSetting.') && found.size > 0 ? found : null;
}
