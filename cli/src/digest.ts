import { archiveDigest } from '@slate-path/core/work/archiveDigest';
import { archiveReading } from './archive';
import { InputError, print } from './input';

export interface DigestCommand {
  archive: string;
  section: string;
  from: string;
  to: string;
  kind?: string;
  place?: string;
  asOf?: string;
  json?: boolean;
}

/** `slate digest`: work and activity of a class, by student, by piece of work and in all. */
export function digest({ archive: file, section, json, ...query }: DigestCommand): void {
  const { archive, timezone } = archiveReading(file);
  if (!archive.sections.some(({ id }) => id === section))
    throw new InputError(`${file}: there is no class ${section} in sections.csv.`);
  // Only how long feedback took depends on the zone, where the clocks changed in between.
  if (timezone === null) console.error(`${file}: no time zone is given; days are taken to have 24 hours.`);
  print(archiveDigest(archive, { ...query, sectionId: section, zone: timezone ?? 'UTC' }), json);
}
