import { z } from 'zod';
import { recordFields } from '@slate-path/core/records/schema';
import { TeacherEntity } from '../database/entities';
import { Problem } from '../http/problem';
import { route } from '../http/route';
import type { Services } from '../services';
import { createTeacher } from './accounts';
import { isPassphrase } from './passphrase';
import { callerOf, endSession, startSession } from './sessions';

const Passphrase = z
  .string()
  .min(10, 'A passphrase has at least 10 characters; a few words are best')
  .max(200, 'At most 200 characters');
const Done = z.object({ done: z.literal(true) });
const done = { done: true } as const;

function teachersOf(services: Services) {
  return services.database.read.getRepository(TeacherEntity);
}

export const accountRoutes = [
  route({
    method: 'get',
    path: '/api/session',
    summary: 'Who is signed in, whether this is the demo, and the server’s clock.',
    allow: 'anyone',
    answer: z.object({
      teacher: z.object({ id: z.string(), name: z.string() }).nullable(),
      firstStart: z.boolean(),
      demo: z.boolean(),
      now: z.iso.datetime(),
    }),
    async handle({ services, request }) {
      const teacherId = callerOf(services, request);
      const teacher = teacherId ? await teachersOf(services).findOneBy({ id: teacherId }) : null;
      return {
        teacher: teacher ? { id: teacher.id, name: teacher.name } : null,
        firstStart: (await teachersOf(services).count()) === 0,
        demo: services.demoTeacherId !== null,
        now: new Date(services.clock()).toISOString(),
      };
    },
  }),
  route({
    method: 'post',
    path: '/api/first-start',
    summary: 'Makes the first teacher of a new installation and signs in; afterwards it is closed.',
    allow: 'anyone',
    triesPerQuarterHour: 20,
    body: z.strictObject({
      name: z.string().trim().min(1, 'What are you called?').max(120),
      passphrase: Passphrase,
      school: recordFields.school.omit({ graceMinutes: true }),
    }),
    answer: Done,
    async handle({ body, services, response }) {
      if ((await teachersOf(services).count()) > 0)
        throw new Problem(409, 'Already set up', 'There is a teacher here already. Sign in instead.');
      const school = { ...body.school, graceMinutes: 5 };
      const teacherId = await createTeacher(services, { ...body, school });
      await startSession(services, response, teacherId);
      return done;
    },
  }),
  route({
    method: 'post',
    path: '/api/sign-in',
    summary: 'Signs a teacher in with name and passphrase.',
    allow: 'anyone',
    triesPerQuarterHour: 10,
    body: z.strictObject({ name: z.string().trim().max(120), passphrase: z.string().max(200) }),
    answer: Done,
    async handle({ body, services, response }) {
      const teacher = await teachersOf(services).findOneBy({ name: body.name });
      // Without such a teacher the same work is done, so that the time tells nobody who exists.
      const hash = teacher?.passphraseHash ?? `${'00'.repeat(16)}:${'00'.repeat(32)}`;
      const right = await isPassphrase(body.passphrase, hash);
      if (!teacher || !right)
        throw new Problem(401, 'Not signed in', 'Name and passphrase do not belong together. Try again.');
      await startSession(services, response, teacher.id);
      return done;
    },
  }),
  route({
    method: 'post',
    path: '/api/demo-sign-in',
    summary: 'In the demo only: signs in as its teacher.',
    allow: 'anyone',
    answer: Done,
    async handle({ services, response }) {
      if (!services.demoTeacherId) throw new Problem(404, 'Not found', 'This is not the demo.');
      await startSession(services, response, services.demoTeacherId);
      return done;
    },
  }),
  route({
    method: 'post',
    path: '/api/sign-out',
    summary: 'Ends the session.',
    allow: 'anyone',
    answer: Done,
    async handle({ services, request, response }) {
      await endSession(services, request, response);
      return done;
    },
  }),
];
