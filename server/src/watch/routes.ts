import { readerOf, route } from '../http/route';
import { load } from '../database/load';

export const watchRoutes = [
  route('watch', {
    allow: 'member',
    cached: 'per-teacher',
    async handle({ teacherId, services: { database, watch } }) {
      const [sections, step, quiet, watchSetting] = await Promise.all([
        watch.list(teacherId),
        load(database.read, 'step', teacherId),
        load(database.read, 'quiet', teacherId),
        load(database.read, 'watchSetting', teacherId),
      ]);
      return { sections, step, quiet, watchSetting };
    },
  }),
  route('glance', {
    allow: readerOf('section', 'sectionId', 'watchSetting'),
    cached: 'per-teacher',
    handle: ({ params, teacherId, services: { database, jobs, clock } }) =>
      jobs.run('glance', { file: database.file, teacherId, sectionId: params.sectionId, now: clock() }),
  }),
  route('previewWatch', {
    allow: readerOf('section', 'sectionId', 'watchSetting'),
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
