import { z } from 'zod';
import { Id, recordFields, recordSchema } from '@slate-path/core/records/schema';
import { ClassGlance } from '@slate-path/core/signals/glance';
import { WatchPreview } from '@slate-path/core/signals/preview';
import { SectionWatch } from '@slate-path/core/signals/watchReading';
import { ownerOf, route } from '../http/route';
import { load } from '../views/load';

export const watchRoutes = [
  route({
    method: 'get',
    path: '/api/watch',
    summary:
      'Who needs the teacher, class by class: concerns with their evidence, what was done, what is over.',
    allow: 'teacher',
    cached: 'per-teacher',
    answer: z.object({
      sections: z.array(SectionWatch),
      step: z.array(recordSchema('step')),
      quiet: z.array(recordSchema('quiet')),
      watchSetting: z.array(recordSchema('watchSetting')),
    }),
    async handle({ teacherId, services: { database, watch } }) {
      const [sections, step, quiet, watchSetting] = await Promise.all([
        watch.list(teacherId),
        load(database.read, 'step', { teacherId }),
        load(database.read, 'quiet', { teacherId }),
        load(database.read, 'watchSetting', { teacherId }),
      ]);
      return { sections, step, quiet, watchSetting };
    },
  }),
  route({
    method: 'get',
    path: '/api/sections/{sectionId}/glance',
    summary: 'A class at a glance: everybody’s small path, those who changed most first, and patterns.',
    allow: ownerOf('section', 'sectionId'),
    cached: 'per-teacher',
    params: z.object({ sectionId: Id }),
    answer: ClassGlance,
    handle: ({ params, teacherId, services: { database, jobs, clock } }) =>
      jobs.run('glance', { file: database.file, teacherId, sectionId: params.sectionId, now: clock() }),
  }),
  route({
    method: 'post',
    path: '/api/sections/{sectionId}/watch-preview',
    summary: 'Whom a setting would have listed in the last four weeks; nothing is saved.',
    allow: ownerOf('section', 'sectionId'),
    params: z.object({ sectionId: Id }),
    body: recordFields.watchSetting.strict(),
    answer: WatchPreview,
    handle: ({ params, body, teacherId, services: { database, jobs, clock } }) =>
      jobs.run('watchPreview', {
        file: database.file,
        teacherId,
        sectionId: params.sectionId,
        now: clock(),
        setting: body,
      }),
  }),
];
