import type { Archive } from '../../keeping/archive/tables';
import { observe, type ObserveOptions } from './observe';
import { usualSettings, watchClass, type WatchItem, type WatchSettings } from './watchClass';

/**
 * The watch list of all classes of an archive, strongest first, as it stood on an evening.
 * @param settingsOf what the teacher set for a class
 */
export function watchArchive(
  archive: Archive,
  options: ObserveOptions,
  settingsOf: (sectionId: string) => WatchSettings = () => usualSettings,
): WatchItem[] {
  return observe(archive, options)
    .flatMap((series) => watchClass(series, settingsOf(series.sectionId)))
    .sort((a, b) => b.strength - a.strength);
}
