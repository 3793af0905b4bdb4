import { Problem } from '../../http/problem';
import { readerOf, route } from '../../http/route';

export const participantRoutes = [
  route('readParticipants', {
    allow: readerOf('section', 'sectionId'),
    async handle({ query: { lessonDate = null, order = null }, services, request }) {
      const bytes = request.body instanceof Uint8Array ? request.body : new Uint8Array();
      const reading = await services.jobs.run('readParticipants', { bytes, lessonDate, order });
      if ('refused' in reading) throw new Problem(422, 'No participant list', reading.refused);
      return reading;
    },
  }),
];
