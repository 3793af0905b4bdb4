import { z } from 'zod';
import { Id, recordFields } from '../records/schema';
import { ClassGlance } from '../watch/signals/glance';
import { WatchPreview } from '../watch/signals/preview';
import { SectionWatch } from '../watch/signals/watchReading';
import { rows, type Endpoint } from './endpoint';

const OfSection = z.object({ sectionId: Id });

export const watchEndpoints = {
  watch: {
    summary:
      'Who needs the teacher, class by class: concerns with their evidence, what was done, what is over.',
    answer: z.object({
      sections: z.array(SectionWatch),
      step: rows('step'),
      quiet: rows('quiet'),
      watchSetting: rows('watchSetting'),
    }),
  },
  glance: {
    summary: 'A class at a glance: everybody’s small path, those who changed most first, and patterns.',
    params: OfSection,
    answer: ClassGlance,
  },
  previewWatch: {
    summary: 'Whom a setting would have listed in the last four weeks; nothing is saved.',
    params: OfSection,
    body: recordFields.watchSetting.strict(),
    answer: WatchPreview,
  },
} satisfies Record<string, Endpoint>;
